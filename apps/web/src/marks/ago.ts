import { formatDistanceToNowStrict } from 'date-fns'

/** How long ago a moment was, as people say it. */
export const ago = (at: string): string => formatDistanceToNowStrict(new Date(at), { addSuffix: true })
