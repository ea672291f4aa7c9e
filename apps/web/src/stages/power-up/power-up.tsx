import { Box } from '@chakra-ui/react'
import { useState } from 'react'
import type { JudgedCheck } from '@plumb-mark/core'
import { DevicesStrip } from '../../devices/devices-strip.js'
import { Choose } from '../../ui/choose.js'
import { useInspection } from '../../job/inspection.js'
import { ByKind } from '../by-kind.js'
import { AlarmTable } from './alarm-table.js'
import { Indicator } from './indicator.js'
import { SiteOrder } from './site-order.js'
import { StepLine } from './step-line.js'
import { PicturePart } from '../picture-part.js'

const PARTS = { 'ordered-steps': StepLine, indicator: Indicator, 'alarm-codes': AlarmTable }
const WAYS = [
  ['unit', 'Unit by unit'],
  ['up', 'Whole site, switching on'],
  ['down', 'Whole site, switching off'],
] as const
type Way = (typeof WAYS)[number][0]

/** The makers' steps with their waits, for one unit or merged for the whole site; what each indicator shows; the codes of alarms. */
export function PowerUp() {
  const [way, setWay] = useState<Way>('unit')
  const checks = useInspection(({ inspection }) => inspection?.checks) ?? []
  const orders = (direction: Way): JudgedCheck[] =>
    checks.filter(
      ({ check: { requirement, because } }) =>
        because === undefined && requirement.kind === 'ordered-steps' && requirement.direction === direction,
    )
  return (
    <>
      <DevicesStrip />
      <Box px={{ base: '12px', lg: '24px' }} pt="16px">
        <Choose
          label="Order"
          options={WAYS.filter(([one]) => one === 'unit' || orders(one).length > 1)}
          value={way}
          onChoose={setWay}
        />
      </Box>
      {way === 'unit' ? (
        <ByKind stage="power-up" parts={PARTS} />
      ) : (
        <PicturePart>
          <SiteOrder checks={orders(way)} direction={way} />
        </PicturePart>
      )}
    </>
  )
}
