import { open, rename } from 'node:fs/promises'

/** On the disk under its name only when it is whole. */
export async function durable(file: string, content: Uint8Array): Promise<void> {
  const handle = await open(`${file}.part`, 'w')
  try {
    await handle.writeFile(content)
    await handle.sync()
  } finally {
    await handle.close()
  }
  await rename(`${file}.part`, file)
}
