export const shots = (): number => 1
