import { useEffect } from 'react'
import type { Entry, JobId } from '@plumb-mark/core'
import { isPracticeJob } from '../offline/practice-job.js'
import { useInspection } from './inspection.js'

/**
 * Takes in what others enter in a job once it is loaded, within the second; each line begins with the last entry that is kept, so that a
 * gap is seen. A page that nobody looks at follows nothing, since a browser keeps few lines open.
 */
export function useFollowing(jobId: JobId | undefined): void {
  const loaded = useInspection((state) => state.jobId === jobId && state.committed !== undefined)
  useEffect(() => {
    if (!jobId || isPracticeJob(jobId) || !loaded || typeof EventSource === 'undefined') return
    let stream: EventSource | undefined
    const follow = () => {
      stream = new EventSource(`/api/jobs/${jobId}/entries/live`)
      stream.onmessage = ({ data }: MessageEvent<string>) =>
        useInspection.getState().takeIn((JSON.parse(data) as { entries: Entry[] }).entries)
    }
    const onVisible = () => {
      if (document.visibilityState === 'hidden') {
        stream?.close()
        stream = undefined
      } else if (!stream) follow()
    }
    follow()
    document.addEventListener('visibilitychange', onVisible)
    return () => {
      document.removeEventListener('visibilitychange', onVisible)
      stream?.close()
    }
  }, [jobId, loaded])
}
