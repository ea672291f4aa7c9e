/** How a point is written in the registers of the open models. */
export type PointType = 'u16' | 's16' | 'e16' | 'u32' | 'a32' | 'b32' | 'text'

/** Where a point lies within its model (id and length are 0 and 1), what it is written as, and which point scales it. */
export interface OpenPoint {
  at: number
  type: PointType
  /** Registers, for text. */
  size?: number
  scaledBy?: string
  unit?: string
}

export interface OpenModel {
  name: string
  points: Readonly<Record<string, OpenPoint>>
}

const text = (at: number, size: number): OpenPoint => ({ at, type: 'text', size })
const scale = (at: number): OpenPoint => ({ at, type: 's16' })
const u16 = (at: number, scaledBy?: string, unit?: string): OpenPoint => ({
  at,
  type: 'u16',
  ...(scaledBy && { scaledBy }),
  ...(unit && { unit }),
})
const s16 = (at: number, scaledBy?: string, unit?: string): OpenPoint => ({
  ...u16(at, scaledBy, unit),
  type: 's16',
})
const choice = (at: number): OpenPoint => ({ at, type: 'e16' })

const inverter: OpenModel['points'] = {
  A: u16(2, 'A_SF', 'A'),
  AphA: u16(3, 'A_SF', 'A'),
  AphB: u16(4, 'A_SF', 'A'),
  AphC: u16(5, 'A_SF', 'A'),
  A_SF: scale(6),
  PhVphA: u16(10, 'V_SF', 'V'),
  PhVphB: u16(11, 'V_SF', 'V'),
  PhVphC: u16(12, 'V_SF', 'V'),
  V_SF: scale(13),
  W: s16(14, 'W_SF', 'W'),
  W_SF: scale(15),
  Hz: u16(16, 'Hz_SF', 'Hz'),
  Hz_SF: scale(17),
  VA: s16(18, 'VA_SF', 'VA'),
  VA_SF: scale(19),
  VAr: s16(20, 'VAr_SF', 'var'),
  VAr_SF: scale(21),
  WH: { at: 24, type: 'a32', scaledBy: 'WH_SF', unit: 'Wh' },
  WH_SF: scale(26),
  DCV: u16(29, 'DCV_SF', 'V'),
  DCV_SF: scale(30),
  DCW: s16(31, 'DCW_SF', 'W'),
  DCW_SF: scale(32),
  TmpCab: s16(33, 'Tmp_SF', '°C'),
  Tmp_SF: scale(37),
  St: choice(38),
  StVnd: choice(39),
  Evt1: { at: 40, type: 'b32' },
}

const phases = (name: string, from: number, scaledBy: string, unit: string): OpenModel['points'] =>
  Object.fromEntries(
    ['', 'phA', 'phB', 'phC'].map((phase, i) => [name + phase, s16(from + i, scaledBy, unit)]),
  )

const meter: OpenModel['points'] = {
  ...phases('A', 2, 'A_SF', 'A'),
  A_SF: scale(6),
  ...phases('PhV', 7, 'V_SF', 'V'),
  V_SF: scale(15),
  Hz: s16(16, 'Hz_SF', 'Hz'),
  Hz_SF: scale(17),
  ...phases('W', 18, 'W_SF', 'W'),
  W_SF: scale(22),
  ...phases('VA', 23, 'VA_SF', 'VA'),
  VA_SF: scale(27),
  ...phases('VAR', 28, 'VAR_SF', 'var'),
  VAR_SF: scale(32),
  TotWhExp: { at: 38, type: 'a32', scaledBy: 'TotWh_SF', unit: 'Wh' },
  TotWhImp: { at: 46, type: 'a32', scaledBy: 'TotWh_SF', unit: 'Wh' },
  TotWh_SF: scale(54),
}

/** The points of the open information models that are read here. Source: SunSpec Alliance, information model specification. */
export const OPEN_MODELS: Readonly<Record<number, OpenModel>> = {
  1: {
    name: 'common',
    points: {
      Mn: text(2, 16),
      Md: text(18, 16),
      Opt: text(34, 8),
      Vr: text(42, 8),
      SN: text(50, 16),
      DA: u16(66),
    },
  },
  101: { name: 'inverter, one phase', points: inverter },
  103: { name: 'inverter, three phases', points: inverter },
  120: {
    name: 'nameplate',
    points: {
      WRtg: u16(3, 'WRtg_SF', 'W'),
      WRtg_SF: scale(4),
      VARtg: u16(5, 'VARtg_SF', 'VA'),
      VARtg_SF: scale(6),
      WHRtg: u16(19, 'WHRtg_SF', 'Wh'),
      WHRtg_SF: scale(20),
    },
  },
  121: {
    name: 'basic settings',
    points: {
      WMax: u16(2, 'WMax_SF', 'W'),
      VRef: u16(3, 'VRef_SF', 'V'),
      WMax_SF: scale(22),
      VRef_SF: scale(23),
    },
  },
  123: {
    name: 'immediate controls',
    points: {
      Conn: choice(4),
      WMaxLimPct: u16(5, 'WMaxLimPct_SF', '%'),
      WMaxLim_Ena: choice(9),
      WMaxLimPct_SF: scale(23),
    },
  },
  124: {
    name: 'storage',
    points: {
      WChaMax: u16(2, 'WChaMax_SF', 'W'),
      StorCtl_Mod: u16(5),
      MinRsvPct: u16(7, 'MinRsvPct_SF', '%'),
      ChaState: u16(8, 'ChaState_SF', '%'),
      ChaSt: choice(11),
      ChaGriSet: choice(17),
      WChaMax_SF: scale(18),
      MinRsvPct_SF: scale(21),
      ChaState_SF: scale(22),
    },
  },
  201: { name: 'meter, one phase', points: meter },
  202: { name: 'meter, split phase', points: meter },
  203: { name: 'meter, three phases', points: meter },
  802: {
    name: 'battery',
    points: {
      WHRtg: u16(3, 'WHRtg_SF', 'Wh'),
      SoCMax: u16(7, 'SoC_SF', '%'),
      SoCMin: u16(8, 'SoC_SF', '%'),
      SoC: u16(11, 'SoC_SF', '%'),
      SoH: u16(13, 'SoH_SF', '%'),
      ChaSt: choice(16),
      State: choice(22),
      V: u16(34, 'V_SF', 'V'),
      A: s16(44, 'A_SF', 'A'),
      W: s16(47, 'W_SF', 'W'),
      WHRtg_SF: scale(53),
      SoC_SF: scale(56),
      SoH_SF: scale(58),
      V_SF: scale(59),
      A_SF: scale(61),
      W_SF: scale(63),
    },
  },
}

/** Registers that an open model starts at, and the mark that stands there. */
export const MAP_BASE = 40_000
export const MAP_MARK = [0x5375, 0x6e53] as const
/** What stands where a further model would begin. */
export const MAP_END = 0xffff
