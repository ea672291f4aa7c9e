import { encode, sizeOf, type Value } from './registers.js'

/** The open information models that are spoken here, in the order of their registers after id and length. */
const LAYOUTS: Record<number, string> = {
  1: 'Mn:str16 Md:str16 Opt:str8 Vr:str8 SN:str16 DA:u16 Pad:u16',
  101: inverter(),
  103: inverter(),
  120:
    'DERTyp:e16 WRtg:u16 WRtg_SF:sf VARtg:u16 VARtg_SF:sf VArRtgQ1:s16 VArRtgQ2:s16 VArRtgQ3:s16 ' +
    'VArRtgQ4:s16 VArRtg_SF:sf ARtg:u16 ARtg_SF:sf PFRtgQ1:s16 PFRtgQ2:s16 PFRtgQ3:s16 PFRtgQ4:s16 ' +
    'PFRtg_SF:sf WHRtg:u16 WHRtg_SF:sf AhrRtg:u16 AhrRtg_SF:sf MaxChaRte:u16 MaxChaRte_SF:sf ' +
    'MaxDisChaRte:u16 MaxDisChaRte_SF:sf Pad:u16',
  121:
    'WMax:u16 VRef:u16 VRefOfs:s16 VMax:u16 VMin:u16 VAMax:u16 VArMaxQ1:s16 VArMaxQ2:s16 VArMaxQ3:s16 ' +
    'VArMaxQ4:s16 WGra:u16 PFMinQ1:s16 PFMinQ2:s16 PFMinQ3:s16 PFMinQ4:s16 VArAct:e16 ClcTotVA:e16 ' +
    'MaxRmpRte:u16 ECPNomHz:u16 ConnPh:e16 WMax_SF:sf VRef_SF:sf VRefOfs_SF:sf VMinMax_SF:sf ' +
    'VAMax_SF:sf VArMax_SF:sf WGra_SF:sf PFMin_SF:sf MaxRmpRte_SF:sf ECPNomHz_SF:sf',
  123:
    'Conn_WinTms:u16 Conn_RvrtTms:u16 Conn:e16 WMaxLimPct:u16 WMaxLimPct_WinTms:u16 ' +
    'WMaxLimPct_RvrtTms:u16 WMaxLimPct_RmpTms:u16 WMaxLim_Ena:e16 OutPFSet:s16 OutPFSet_WinTms:u16 ' +
    'OutPFSet_RvrtTms:u16 OutPFSet_RmpTms:u16 OutPFSet_Ena:e16 VArWMaxPct:s16 VArMaxPct:s16 ' +
    'VArAvalPct:s16 VArPct_WinTms:u16 VArPct_RvrtTms:u16 VArPct_RmpTms:u16 VArPct_Mod:e16 ' +
    'VArPct_Ena:e16 WMaxLimPct_SF:sf OutPFSet_SF:sf VArPct_SF:sf',
  124:
    'WChaMax:u16 WChaGra:u16 WDisChaGra:u16 StorCtl_Mod:u16 VAChaMax:u16 MinRsvPct:u16 ChaState:u16 ' +
    'StorAval:u16 InBatV:u16 ChaSt:e16 OutWRte:s16 InWRte:s16 InOutWRte_WinTms:u16 ' +
    'InOutWRte_RvrtTms:u16 InOutWRte_RmpTms:u16 ChaGriSet:e16 WChaMax_SF:sf WChaDisChaGra_SF:sf ' +
    'VAChaMax_SF:sf MinRsvPct_SF:sf ChaState_SF:sf StorAval_SF:sf InBatV_SF:sf InOutWRte_SF:sf',
  201: meter(),
  202: meter(),
  203: meter(),
  802:
    'AHRtg:u16 WHRtg:u16 WChaRteMax:u16 WDisChaRteMax:u16 DisChaRte:u16 SoCMax:u16 SoCMin:u16 ' +
    'SocRsvMax:u16 SoCRsvMin:u16 SoC:u16 DoD:u16 SoH:u16 NCyc:u32 ChaSt:e16 LocRemCtl:e16 Hb:u16 ' +
    'CtrlHb:u16 AlmRst:u16 Typ:e16 State:e16 StateVnd:e16 WarrDt:u32 Evt1:b32 Evt2:b32 EvtVnd1:b32 ' +
    'EvtVnd2:b32 V:u16 VMax:u16 VMin:u16 CellVMax:u16 CellVMaxStr:u16 CellVMaxMod:u16 CellVMin:u16 ' +
    'CellVMinStr:u16 CellVMinMod:u16 CellVAvg:u16 A:s16 AChaMax:u16 ADisChaMax:u16 W:s16 ' +
    'ReqInvState:e16 ReqW:s16 SetOp:e16 SetInvState:e16 AHRtg_SF:sf WHRtg_SF:sf WChaDisChaMax_SF:sf ' +
    'DisChaRte_SF:sf SoC_SF:sf DoD_SF:sf SoH_SF:sf V_SF:sf CellV_SF:sf A_SF:sf AMax_SF:sf W_SF:sf',
}

function inverter(): string {
  return (
    'A:u16 AphA:u16 AphB:u16 AphC:u16 A_SF:sf PPVphAB:u16 PPVphBC:u16 PPVphCA:u16 PhVphA:u16 PhVphB:u16 ' +
    'PhVphC:u16 V_SF:sf W:s16 W_SF:sf Hz:u16 Hz_SF:sf VA:s16 VA_SF:sf VAr:s16 VAr_SF:sf PF:s16 PF_SF:sf ' +
    'WH:a32 WH_SF:sf DCA:u16 DCA_SF:sf DCV:u16 DCV_SF:sf DCW:s16 DCW_SF:sf TmpCab:s16 TmpSnk:s16 ' +
    'TmpTrns:s16 TmpOt:s16 Tmp_SF:sf St:e16 StVnd:e16 Evt1:b32 Evt2:b32 EvtVnd1:b32 EvtVnd2:b32 ' +
    'EvtVnd3:b32 EvtVnd4:b32'
  )
}

function meter(): string {
  const phases = (name: string, type: string) => ['', 'phA', 'phB', 'phC'].map((p) => `${name}${p}:${type}`)
  const sums = (name: string) => ['', 'phA', 'phB', 'phC'].map((p) => `${name}${p}:a32`)
  return [
    ...phases('A', 's16'),
    'A_SF:sf',
    ...['PhV', 'PhVphA', 'PhVphB', 'PhVphC', 'PPV', 'PhVphAB', 'PhVphBC', 'PhVphCA'].map((p) => `${p}:s16`),
    'V_SF:sf',
    'Hz:s16',
    'Hz_SF:sf',
    ...phases('W', 's16'),
    'W_SF:sf',
    ...phases('VA', 's16'),
    'VA_SF:sf',
    ...phases('VAR', 's16'),
    'VAR_SF:sf',
    ...phases('PF', 's16'),
    'PF_SF:sf',
    ...sums('TotWhExp'),
    ...sums('TotWhImp'),
    'TotWh_SF:sf',
    ...sums('TotVAhExp'),
    ...sums('TotVAhImp'),
    'TotVAh_SF:sf',
    ...['ImpQ1', 'ImpQ2', 'ExpQ3', 'ExpQ4'].flatMap((quadrant) => sums(`TotVArh${quadrant}`)),
    'TotVArh_SF:sf',
    'Evt:b32',
  ].join(' ')
}

/** A model as registers: its id, its length, its points in order; a point without a value is "not implemented". */
export function model(id: number, values: Record<string, Value>): number[] {
  const points = LAYOUTS[id]!.split(' ').map((one) => one.split(':') as [string, string])
  const stranger = Object.keys(values).find((name) => !points.some(([known]) => known === name))
  if (stranger) throw new Error(`model ${id} has no point ${stranger}`)
  const length = points.reduce((sum, [, type]) => sum + sizeOf(type), 0)
  return [id, length, ...points.flatMap(([name, type]) => encode(type, values[name]))]
}

/** The trackers of an inverter: a head and twenty registers for each. */
export function trackers(inputs: readonly { input: string; volts: number; watts: number }[]): number[] {
  const each = inputs.flatMap(({ input, volts, watts }, i) => [
    i + 1,
    ...encode('str8', input),
    ...encode('u16', volts > 0 ? (watts / volts) * 100 : 0),
    ...encode('u16', volts * 10),
    ...encode('u16', watts),
    ...[0, 0, 0, 0, 0x8000, 4, 0, 0],
  ])
  const scales = [-2, -1, 0, 0].flatMap((scale) => encode('sf', scale))
  return [160, 8 + each.length, ...scales, 0, 0, inputs.length, 0, ...each]
}

/** A whole map as it stands from register 40000: the mark, the models, the end. */
export const wholeMap = (models: readonly number[][]): number[] => [
  0x5375,
  0x6e53,
  ...models.flat(),
  0xffff,
  0,
]
