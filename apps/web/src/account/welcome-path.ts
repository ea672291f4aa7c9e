/** Where an invitation or a reset leads. */
export const WELCOME = '/welcome'
