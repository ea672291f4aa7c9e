import { type ComponentType } from 'react'
import type { CalculatorName } from '@plumb-mark/core'
import { Balance } from './balance.js'
import { Branch, OneLine } from './one-line.js'
import { GaugePicture } from './gauge.js'
import { Lifts, Pairs, Rail, Split } from './lists.js'
import { RectifiedPhoto } from './photo.js'
import { Phasors } from '../../ui/drawings/phasors.js'
import { RollCall } from './roll-call.js'
import { OrderOrTimeline } from './order.js'
import { LikeStrings, StringStories } from './strings.js'
import type { PictureProps } from '../../ui/drawings/props.js'
import { ReworkPicture, WallPicture } from './wall.js'
import { lazyPart } from '../../ui/lazy-part.js'

const LimitTrace = lazyPart(async () => (await import('./limit-trace.js')).LimitTrace)

const PICTURES = {
  decision: GaugePicture('decision'),
  'driver-torque': GaugePicture('driver-torque'),
  insulation: GaugePicture('insulation'),
  'safe-voltage': GaugePicture('safe-voltage'),
  'string-cold-limit': GaugePicture('string-cold-limit'),
  'protective-earth': GaugePicture('protective-earth'),
  fixings: GaugePicture('fixings'),
  'expected-power': GaugePicture('expected-power'),
  'photo-measure': RectifiedPhoto,
  'roll-call': RollCall,
  reserve: GaugePicture('reserve'),
  clearance: WallPicture,
  'clearance-rework': ReworkPicture,
  'string-voltage': StringStories,
  'like-strings': LikeStrings,
  conductor: OneLine,
  'ac-branch': Branch,
  'ct-phasing': Phasors,
  'power-balance': Balance,
  sequence: OrderOrTimeline,
  'serial-map': Pairs('serial-map'),
  settings: Pairs('settings'),
  'split-strings': Split,
  'rail-marks': Rail,
  'lift-plan': Lifts,
  'limit-response': LimitTrace,
} satisfies Record<CalculatorName, ComponentType<PictureProps>>

export function Picture({ name, ...props }: PictureProps & { name: CalculatorName }) {
  const Shown = PICTURES[name]
  return <Shown {...props} />
}
