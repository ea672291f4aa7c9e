import { differenceInSeconds, formatDistanceToNowStrict } from 'date-fns'

/** How long ago a moment was, as people say it. */
export const ago = (at: string): string =>
  differenceInSeconds(new Date(), new Date(at)) < 60
    ? 'just now'
    : formatDistanceToNowStrict(new Date(at), { addSuffix: true })
