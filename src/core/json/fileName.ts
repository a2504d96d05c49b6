/** A name as a file has it: its words in small letters, without their marks, joined by dashes. */
export const fileName = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'installation'
