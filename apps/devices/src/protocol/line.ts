import net from 'node:net'

/** What may be wrong with the wire between a device and whoever asks it. */
export interface LineFaults {
  /** ms that every answer is held back. */
  slow: number
  /** Every answer is cut in the middle and nothing follows. */
  half: boolean
  /** Connections are closed as soon as something is asked. */
  drops: boolean
  /** Connections are refused. */
  gone: boolean
}

export const SOUND_LINE: Readonly<LineFaults> = { slow: 0, half: false, drops: false, gone: false }

/** A wire in front of a device: passes what is asked and answered, with the faults that are switched on at that moment. */
export function line(target: { host: string; port: number }, faults: LineFaults): net.Server {
  return net.createServer((asking) => {
    if (faults.gone) return asking.destroy()
    const device = net.connect(target)
    const both = [asking, device]
    for (const one of both) {
      one.on('error', () => both.forEach((socket) => socket.destroy()))
      one.on('close', () => both.forEach((socket) => socket.destroy()))
    }
    asking.on('data', (asked) => (faults.drops || faults.gone ? asking.destroy() : device.write(asked)))
    device.on('data', (answer) => {
      const sent = faults.half ? answer.subarray(0, Math.max(1, answer.length >> 1)) : answer
      if (faults.slow > 0) setTimeout(() => asking.write(sent), faults.slow).unref()
      else asking.write(sent)
    })
  })
}
