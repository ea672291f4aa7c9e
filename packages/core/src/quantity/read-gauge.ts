import { Misread, type Cursor } from './cursor.js'
import { awgGauge, awgToMm2 } from './units.js'

const NUMBER = String.raw`[1-4]\/0|0{1,4}|\d{1,2}`
const GAUGE = new RegExp(
  String.raw`^(?:(?:awg|#)\s*(${NUMBER})|(${NUMBER})\s*(?:awg|ga\.?|gauge)|([1-4]\/0|0{2,4}))\s*$`,
  'i',
)
const BARE = new RegExp(String.raw`^(${NUMBER})\s*$`)

/**
 * "10 AWG", "10 ga", "AWG 10", "#10", "2/0", "000": sizes that run by number and not by area. Where gauges are meant (`assumed`) a bare
 * number is one of them. Undefined where something else is typed.
 */
export function readGauge(cursor: Cursor, assumed: boolean): { value: number; unit: string } | undefined {
  const text = cursor.text.slice(cursor.at)
  const found = GAUGE.exec(text) ?? (assumed ? BARE.exec(text) : null)
  if (!found) return undefined
  const name = found.slice(1).find((one) => one !== undefined)!
  const gauge = awgGauge(name)
  if (gauge === undefined) throw new Misread('not-a-number', cursor.at, `there is no gauge “${name}”`)
  return { value: awgToMm2(gauge), unit: 'AWG' }
}
