/** Largest readings file that is taken; the page refuses before sending, the server while reading. */
export const LARGEST_READINGS_BYTES = 64_000_000
