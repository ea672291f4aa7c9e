import { takeBackup, type Taken } from '@plumb-mark/archive'

export interface BackupAsked {
  dataDir: string
  target: string
  passphrase?: string
}

/** Takes a backup in a thread of its own: copying the database keeps its thread busy. */
export default function take({ dataDir, target, passphrase }: BackupAsked): Promise<Taken> {
  return takeBackup(dataDir, target, { passphrase })
}
