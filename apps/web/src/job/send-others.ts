import { useSession } from '../data/session.js'
import { useInspection } from './inspection.js'
import { sendNext, waitingJobs } from '../offline/outbox.js'
import { askStorage } from '../offline/storage.js'
import { withQueue } from '../offline/with-queue.js'

const EVERY_MS = 15_000

/** Sends what waits in jobs that are not open: the open one sends its own. */
async function sendOthers(): Promise<void> {
  const person = useSession.getState().person
  if (!person) return
  const open = useInspection.getState().jobId
  for (const jobId of (await waitingJobs(person.id)).filter((one) => one !== open))
    for (;;) {
      const sent = await sendNext(jobId, person.id)
      if (sent.kind === 'signed-out') return useSession.getState().end()
      if (sent.kind === 'unreachable') return
      if (sent.kind === 'nothing') break
    }
}

/** At once, because somebody asked for it. */
export const sendAllNow = (): Promise<void> => withQueue(sendOthers)

/** Goes on sending as long as the page is open: now and then, and at once when the signal is back. Answers with how to stop. */
export function keepSending(): () => void {
  const send = () => {
    void withQueue(sendOthers)
    void askStorage()
  }
  send()
  const timer = setInterval(send, EVERY_MS)
  const back = () => {
    send()
    void useInspection.getState().flush()
  }
  addEventListener('online', back)
  return () => {
    clearInterval(timer)
    removeEventListener('online', back)
  }
}
