/** Representative ampacity tables; the local code and a licensed person decide. */

export const IEC_SIZES = [1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120] as const
export type IecMethod = 'A1' | 'B1' | 'B2' | 'C'
export type Insulation = 'pvc' | 'xlpe'

/** A, copper, 30 °C air; by insulation, number of loaded conductors and method of installation, in the order of IEC_SIZES. */
export const IEC_AMPACITY: Record<Insulation, Record<2 | 3, Record<IecMethod, readonly number[]>>> = {
  pvc: {
    2: {
      A1: [14.5, 19.5, 26, 34, 46, 61, 80, 99, 119, 151, 182, 210],
      B1: [17.5, 24, 32, 41, 57, 76, 101, 125, 151, 192, 232, 269],
      B2: [16.5, 23, 30, 38, 52, 69, 90, 111, 133, 168, 201, 232],
      C: [19.5, 27, 36, 46, 63, 85, 112, 138, 168, 213, 258, 299],
    },
    3: {
      A1: [13.5, 18, 24, 31, 42, 56, 73, 89, 108, 136, 164, 188],
      B1: [15.5, 21, 28, 36, 50, 68, 89, 110, 134, 171, 207, 239],
      B2: [15, 20, 27, 34, 46, 62, 80, 99, 118, 149, 179, 206],
      C: [17.5, 24, 32, 41, 57, 76, 96, 119, 144, 184, 223, 259],
    },
  },
  xlpe: {
    2: {
      A1: [19, 26, 35, 45, 61, 81, 106, 131, 158, 200, 241, 278],
      B1: [23, 31, 42, 54, 75, 100, 133, 164, 198, 253, 306, 354],
      B2: [22, 30, 40, 51, 69, 91, 119, 146, 175, 221, 265, 305],
      C: [24, 33, 45, 58, 80, 107, 138, 171, 209, 269, 328, 382],
    },
    3: {
      A1: [17, 23, 31, 40, 54, 73, 95, 117, 141, 179, 216, 249],
      B1: [20, 28, 37, 48, 66, 88, 117, 144, 175, 222, 269, 312],
      B2: [19.5, 26, 35, 44, 60, 80, 105, 128, 154, 194, 233, 268],
      C: [22, 30, 40, 52, 71, 96, 119, 147, 179, 229, 278, 322],
    },
  },
}

/** [°C, factor], ascending: the listed temperature at or above the given one counts. */
export const IEC_AMBIENT: Record<Insulation, readonly (readonly [number, number])[]> = {
  pvc: [
    [10, 1.22],
    [15, 1.17],
    [20, 1.12],
    [25, 1.06],
    [30, 1],
    [35, 0.94],
    [40, 0.87],
    [45, 0.79],
    [50, 0.71],
    [55, 0.61],
    [60, 0.5],
  ],
  xlpe: [
    [10, 1.15],
    [15, 1.12],
    [20, 1.08],
    [25, 1.04],
    [30, 1],
    [35, 0.96],
    [40, 0.91],
    [45, 0.87],
    [50, 0.82],
    [55, 0.76],
    [60, 0.71],
    [65, 0.65],
    [70, 0.58],
    [75, 0.5],
    [80, 0.41],
  ],
}

/** [circuits, factor], ascending: the listed count at or above the given one counts. */
export const IEC_GROUPING: readonly (readonly [number, number])[] = [
  [1, 1],
  [2, 0.8],
  [3, 0.7],
  [4, 0.65],
  [5, 0.6],
  [6, 0.57],
  [7, 0.54],
  [8, 0.52],
  [9, 0.5],
  [12, 0.45],
  [16, 0.41],
  [20, 0.38],
]

export const NEC_SIZES = ['14', '12', '10', '8', '6', '4', '3', '2', '1', '1/0', '2/0', '3/0', '4/0'] as const
export type NecSize = (typeof NEC_SIZES)[number]
export type NecTemperature = 60 | 75 | 90

/** A, copper, 30 °C, in the order of NEC_SIZES. */
export const NEC_AMPACITY: Record<NecTemperature, readonly number[]> = {
  60: [15, 20, 30, 40, 55, 70, 85, 95, 110, 125, 145, 165, 195],
  75: [20, 25, 35, 50, 65, 85, 100, 115, 130, 150, 175, 200, 230],
  90: [25, 30, 40, 55, 75, 95, 115, 130, 145, 170, 195, 225, 260],
}

/** [upper end of the band °C, factor], ascending. */
export const NEC_AMBIENT: Record<75 | 90, readonly (readonly [number, number])[]> = {
  75: [
    [10, 1.2],
    [15, 1.15],
    [20, 1.11],
    [25, 1.05],
    [30, 1],
    [35, 0.94],
    [40, 0.88],
    [45, 0.82],
    [50, 0.75],
    [55, 0.67],
    [60, 0.58],
    [65, 0.47],
    [70, 0.33],
  ],
  90: [
    [10, 1.15],
    [15, 1.12],
    [20, 1.08],
    [25, 1.04],
    [30, 1],
    [35, 0.96],
    [40, 0.91],
    [45, 0.87],
    [50, 0.82],
    [55, 0.76],
    [60, 0.71],
    [65, 0.65],
    [70, 0.58],
    [75, 0.5],
    [80, 0.41],
    [85, 0.29],
  ],
}

/** [current-carrying conductors, factor], ascending: upper ends of the bands. */
export const NEC_GROUPING: readonly (readonly [number, number])[] = [
  [3, 1],
  [6, 0.8],
  [9, 0.7],
  [20, 0.5],
  [30, 0.45],
  [40, 0.4],
  [Infinity, 0.35],
]

/** Ω per 1000 ft, in the order of NEC_SIZES. */
export const NEC_RESISTANCE: readonly number[] = [
  3.14, 1.98, 1.24, 0.778, 0.491, 0.308, 0.245, 0.194, 0.154, 0.122, 0.0967, 0.0766, 0.0608,
]

export const STANDARD_DEVICES: readonly number[] = [
  15, 20, 25, 30, 35, 40, 45, 50, 60, 70, 80, 90, 100, 110, 125, 150, 175, 200, 225, 250, 300,
]
/** Small conductors take no larger device, whatever the table says. */
export const SMALL_CONDUCTOR_DEVICE: Partial<Record<NecSize, number>> = { '14': 15, '12': 20, '10': 30 }

/** The factor of the first entry at or above a value; undefined beyond the end of the list. */
export function factorAt(table: readonly (readonly [number, number])[], value: number): number | undefined {
  return table.find(([upTo]) => value <= upTo + 1e-9 * Math.max(1, Math.abs(upTo)))?.[1]
}
