/** Exit codes of every command: 0 all well, 1 judged and found wanting, 2 input refused, 3 the program could not run. */
export type ExitCode = 0 | 1 | 2 | 3
export type Command = (args: string[]) => Promise<ExitCode>
