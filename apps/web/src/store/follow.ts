import { useEffect } from 'react'
import type { Entry, JobId } from '@plumb-mark/core'
import { useInspection } from './inspection.js'

/**
 * Takes in what others enter in a job while it is open, within the second. A page that nobody looks at follows nothing, since a browser
 * keeps few lines open; when it is looked at again the job is loaded anew.
 */
export function useFollowing(jobId: JobId | undefined): void {
  useEffect(() => {
    if (!jobId || typeof EventSource === 'undefined') return
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
      } else if (!stream) {
        void useInspection.getState().open(jobId)
        follow()
      }
    }
    follow()
    document.addEventListener('visibilitychange', onVisible)
    return () => {
      document.removeEventListener('visibilitychange', onVisible)
      stream?.close()
    }
  }, [jobId])
}
