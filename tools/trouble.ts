/** Something the person at the machine must know or do; the message says what. */
export class Trouble extends Error {}
