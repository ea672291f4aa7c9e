/** A statement with its values, and the rows that it answers: all that this package needs to know of a database. */
export type Sql = (text: string, values?: readonly unknown[]) => Promise<Record<string, unknown>[]>
