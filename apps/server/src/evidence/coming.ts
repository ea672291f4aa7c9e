import { readdir, rm, stat } from 'node:fs/promises'
import { join } from 'node:path'

/** Photos that arrive in parts, each in a file of its own until it is whole: one for each sender, since nobody adds to what another began. */
export const comingFolder = (dataDir: string): string => join(dataDir, 'photos', 'coming')
export const comingFile = (dataDir: string, personId: string, jobId: string, id: string): string =>
  join(comingFolder(dataDir), `${personId}.${jobId}.${id}`)

/** What unfinished photos of a job take, in bytes. */
export async function comingBytes(dataDir: string, jobId: string): Promise<number> {
  const folder = comingFolder(dataDir)
  let bytes = 0
  for (const name of await readdir(folder).catch(() => []))
    if (name.split('.')[1] === jobId) bytes += await bytesOf(join(folder, name))
  return bytes
}

export const bytesOf = async (file: string): Promise<number> =>
  (await stat(file).catch(() => ({ size: 0 }))).size

/** What nobody came back for in so long is let go. */
export async function clearStale(folder: string, staleMs: number): Promise<void> {
  for (const name of await readdir(folder).catch(() => [])) {
    const file = join(folder, name)
    const { mtimeMs } = await stat(file).catch(() => ({ mtimeMs: Date.now() }))
    if (mtimeMs < Date.now() - staleMs) await rm(file, { force: true })
  }
}
