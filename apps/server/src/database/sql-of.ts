import type { EntityManager } from 'typeorm'
import type { Sql } from '@plumb-mark/archive'

/** Statements over a connection of TypeORM, for what server and command line share. */
export const sqlOf =
  (manager: EntityManager): Sql =>
  (text, values = []) =>
    manager.query(text, [...values])
