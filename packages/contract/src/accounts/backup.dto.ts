import { Matches } from 'class-validator'

export class BackupTimeDto {
  @Matches(/^([01]\d|2[0-3]):[0-5]\d$/, { message: 'must be a time of day, as in 02:30' }) at!: string
}

/** The backups of an installation. */
export interface BackupState {
  folder: string
  /** When the nightly one is taken, by the clock of the machine. */
  at: string
  kept: { name: string; at: string }[]
  last?: { name: string; at: string; files: number; bytes: number }
  /** Whether the key of the seals lies in them, under a passphrase. */
  withKey: boolean
  /** There is none, or a night was missed. */
  late: boolean
  /** Why the last try failed, since the start of the program. */
  failed?: string
}
