import { decision, stringColdLimit } from '../packages/core/dist/index.js'
import { measured } from './reference.mjs'
import { stream } from './walls.mjs'

/**
 * The peer: a general formula engine from the registry that holds 600 checks as formulas, 400 guarded decisions and 200 cold-limit
 * checks, all hanging on one cell, so that changing it recalculates everything. Both sides judge the same figures.
 */
export async function peerThroughput() {
  const { HyperFormula } = await import('hyperformula')
  const next = stream()
  const decisions = Array.from({ length: 400 }, () => ({
    value: 2 + next(),
    uncertainty: 0.1,
    min: 2.2,
    max: 2.8,
  }))
  const strings = Array.from({ length: 200 }, (_, i) => ({ voc: 36 + 6 * next(), count: 8 + (i % 10) }))
  const rows = [
    [0],
    ...decisions.map(({ value, uncertainty, min, max }, i) => {
      const r = i + 2
      return [
        value,
        uncertainty,
        min,
        max,
        `=A${r}+$A$1`,
        `=IF(AND(E${r}-B${r}>=C${r},E${r}+B${r}<=D${r}),"conforms",IF(OR(E${r}+B${r}<C${r},E${r}-B${r}>D${r}),"does-not-conform","not-proven"))`,
        `=MIN(E${r}-C${r},D${r}-E${r})`,
      ]
    }),
    ...strings.map(({ voc, count }, i) => {
      const r = i + 402
      return [
        voc,
        count,
        -0.26,
        -10,
        `=1+C${r}/100*(D${r}+$A$1-25)`,
        `=IF(B${r}*A${r}*E${r}<=600,"conforms","does-not-conform")`,
        `=INT(600/(A${r}*E${r}))`,
      ]
    }),
  ]
  const engine = HyperFormula.buildFromArray(rows, { licenseKey: 'gpl-v3' })
  let shift = 0
  const recalculate = () =>
    engine.setCellContents({ sheet: 0, row: 0, col: 0 }, [[(shift = shift === 0 ? 1e-6 : 0)]])
  const ours = () => {
    for (const one of decisions) decision(one)
    for (const { voc, count } of strings)
      stringColdLimit({
        module: { voc, vocTempCoeff: -0.26 },
        count,
        minTemperature: -10,
        inverterMax: 600,
        method: 'coefficient',
      })
  }
  requireSame(engine, decisions, strings)
  return { ours, measure: () => measured(recalculate, 101) }
}

/** A comparison of speed says something only between programs that give the same answers. */
function requireSame(engine, decisions, strings) {
  const verdictIn = (row) => engine.getCellValue({ sheet: 0, row, col: 5 })
  decisions.forEach((one, i) => {
    if (verdictIn(i + 1) !== decision(one).verdict)
      throw new Error(`decision ${i}: the peer judges otherwise`)
  })
  strings.forEach(({ voc, count }, i) => {
    const { verdict } = stringColdLimit({
      module: { voc, vocTempCoeff: -0.26 },
      count,
      minTemperature: -10,
      inverterMax: 600,
      method: 'coefficient',
    })
    if (verdictIn(i + 401) !== verdict) throw new Error(`string ${i}: the peer judges otherwise`)
  })
}
