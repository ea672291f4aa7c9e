import { randomUUID } from 'node:crypto'
import { open, rename, rm } from 'node:fs/promises'

/** On the disk under its name only when it is whole; two who write the same at once do not meet. */
export async function durable(file: string, content: Uint8Array): Promise<void> {
  const draft = `${file}.${randomUUID()}.part`
  const handle = await open(draft, 'wx', 0o600)
  try {
    await handle.writeFile(content)
    await handle.sync()
  } catch (problem) {
    await rm(draft, { force: true })
    throw problem
  } finally {
    await handle.close()
  }
  await rename(draft, file)
}
