import { ByKind } from '../by-kind.js'
import { Cover } from './cover.js'
import { PhotoFrames } from './photo-frames.js'

const PARTS = { 'tightening-order': Cover, 'photo-list': PhotoFrames }

/** Covers with their bolts, touched as they are tightened; the photos that are asked for, as frames to be filled. */
export const CloseUp = () => <ByKind stage="close-up" parts={PARTS} />
