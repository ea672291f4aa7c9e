import { changeKey, keyFingerprint, lockFolder, ownKeysIn, sealKeyIn } from '@plumb-mark/archive'
import { parseArgs } from 'node:util'
import type { Command } from './command.js'

/** `change-key [--data DIR]`: a new key for seals, while no program serves the folder; what the old one signed stays known as ours. */
export const changeSealKey: Command = async (args) => {
  const { values } = parseArgs({ args, options: { data: { type: 'string', default: 'data' } } })
  const before = keyFingerprint(sealKeyIn(values.data).publicKey)
  const lock = lockFolder(values.data)
  if (!lock) throw new Error(`${values.data} is served by a running Plumb Mark: stop it first`)
  try {
    const { publicKey } = changeKey(values.data, new Date().toISOString())
    console.log(`Until now  ${before}\nFrom now   ${keyFingerprint(publicKey)}`)
    console.log(
      `${ownKeysIn(values.data).length} keys are known as ours. Tell the new one to whoever accepts your records.`,
    )
    return 0
  } finally {
    lock.release()
  }
}
