/** A unit on a wall: its sheet, its size, where its lower edge is, and how far apart two of them hang. mm */
interface OnWall {
  sheet: string
  w: number
  h: number
  y: number
  pitch: number
  mounted: 'wall' | 'floor'
}

/** What goes together in one house. */
export interface Kit {
  inverter: OnWall & { inputs: number; source: number }
  battery: OnWall
  meter: string
  module: string
  rules: readonly string[]
  electronics: string
  listener?: string
  phases: 'either' | 'one'
}

const ON_WALL = { y: 1150, pitch: 1400, mounted: 'wall' } as const
const SHARED = {
  module: 'wendlemere-wm-430-b',
  rules: ['house-ac-rules-a', 'house-site-rules-a'],
  electronics: 'sorrelight-me-1-b',
}

export const KITS = {
  hybrid: {
    ...SHARED,
    inverter: { sheet: 'aldervane-ah-8t-c', w: 520, h: 680, ...ON_WALL, inputs: 2, source: 13 },
    battery: { sheet: 'thrumcap-tb-10-b', w: 600, h: 1100, ...ON_WALL, y: 500 },
    meter: 'cobblewick-cm-3-d',
    listener: 'sorrelight-sl-20-b',
    phases: 'either',
  },
  string: {
    ...SHARED,
    inverter: { sheet: 'aldervane-as-5-b', w: 410, h: 520, ...ON_WALL, inputs: 1, source: 22 },
    battery: { sheet: 'thrumcap-ts-5-a', w: 580, h: 1240, y: 0, pitch: 1400, mounted: 'floor' },
    meter: 'cobblewick-cm-1-b',
    phases: 'one',
  },
} as const satisfies Record<string, Kit>
export type KitName = keyof typeof KITS
export const KIT_NAMES = Object.keys(KITS) as KitName[]

/** What chance made of it. */
export interface Size {
  inverters: number
  batteries: number
  electronics: boolean
  three: boolean
  nec: boolean
}
