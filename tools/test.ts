export const test = (): number => 1
