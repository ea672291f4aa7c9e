import { ByKind } from '../by-kind.js'
import { Indicator } from './indicator.js'
import { StepLine } from './step-line.js'

const PARTS = { 'ordered-steps': StepLine, indicator: Indicator }

/** The maker's steps with their waits, and what each indicator shows, unit by unit. */
export const PowerUp = () => <ByKind stage="power-up" parts={PARTS} />
