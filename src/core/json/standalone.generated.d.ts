import type { ValidateFunction } from 'ajv'

/** The validators of pages by name. Made by tools/standalone.ts before the application is built; not kept in the repository. */
export const STANDALONE: Readonly<Record<string, ValidateFunction>>
