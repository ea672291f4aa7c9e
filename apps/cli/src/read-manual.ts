import { readFile, stat } from 'node:fs/promises'
import { parseArgs } from 'node:util'
import { LIMITS, Unreadable, draftSheet, readManualFile, sheetSource, type Fact } from '@plumb-mark/manual'
import { nodeReader } from '@plumb-mark/manual/node'
import type { Command } from './command.js'

/** `read-manual`: what a maker's manual demands, as facts or as a draft of a sheet. Progress goes to standard error. */
export const readManualCommand: Command = async (args) => {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      model: { type: 'string' },
      password: { type: 'string' },
      json: { type: 'boolean', default: false },
      sheet: { type: 'boolean', default: false },
    },
  })
  const [file, ...more] = positionals
  if (!file || more.length > 0) throw new Error('name one PDF file; see plumb-mark --help')
  if (values.json && values.sheet) throw new Error('either --json or --sheet')
  const { size } = await stat(file)
  const model = values.model ?? (process.env['MANUAL_MODEL'] || undefined)
  try {
    // Before anything of it is in memory.
    if (size > LIMITS.bytes) throw new Unreadable('too-large', 'the file is larger than 100 MB')
    const read = await readManualFile(await nodeReader(), new Uint8Array(await readFile(file)), {
      model,
      password: values.password,
      onPage: (done, of, seen) => {
        if (seen) console.error(`page ${done} of ${of}, read from a picture`)
      },
    })
    if (read.facts.length === 0) console.error('Nothing in this file reads like a demand on an installation.')
    if (values.sheet)
      console.log(sheetSource(draftSheet(read, { model, date: new Date().toISOString().slice(0, 10) })))
    else if (values.json)
      console.log(JSON.stringify({ facts: read.facts, ofOtherModels: read.ofOthers, models: read.models }))
    else console.log(asText(read.facts))
    return 0
  } catch (problem) {
    if (!(problem instanceof Unreadable)) throw problem
    console.log(JSON.stringify({ error: { code: problem.code, message: problem.message, path: file } }))
    return 2
  }
}

function asText(facts: readonly Fact[]): string {
  return facts
    .map(({ kind, subject, page, clause, ...fact }) =>
      [
        `p. ${page}`,
        clause && `(${clause})`,
        `${kind}:`,
        subject,
        figuresOf(fact),
        fact.fromPicture ? '[read from a picture]' : '',
      ]
        .filter(Boolean)
        .join(' '),
    )
    .join('\n')
}

function figuresOf({ min, max, value, unit }: Pick<Fact, 'min' | 'max' | 'value' | 'unit'>): string {
  const figure = value ?? (min !== undefined && max !== undefined ? `${min} to ${max}` : (min ?? max))
  if (figure === undefined) return ''
  const sign =
    value !== undefined || (min !== undefined && max !== undefined) ? '' : min !== undefined ? '≥ ' : '≤ '
  return `= ${sign}${figure} ${unit}`.trim()
}
