import {
  BadInput,
  CALCULATORS,
  CALCULATOR_NAMES,
  asErrorShape,
  compute as computeByName,
} from '@plumb-mark/core'
import { parsed, standardInput } from './input.js'
import type { Command, ExitCode } from './command.js'

/** `compute <calculator>`, `compute --batch`, `compute --list`. */
export const compute: Command = async (args) => {
  if (args.includes('--list')) return list(args.includes('--json'))
  if (args.includes('--batch')) return batch(await standardInput())
  const [name] = args
  if (!name)
    throw new BadInput(
      'missing',
      'calculator',
      `name a calculator (there are: ${CALCULATOR_NAMES.join(', ')})`,
    )
  return single(name, await standardInput())
}

function single(name: string, text: string): ExitCode {
  const result = answer(() => computeByName(name, parsed(text, 'standard input')))
  console.log(JSON.stringify(result, null, 2))
  return 'error' in result ? 2 : 0
}

/** One line in, one line out: a bad line is answered in its place and the others go on. */
function batch(text: string): ExitCode {
  const out: string[] = []
  for (const line of text.split('\n')) {
    if (line.trim() === '') continue
    out.push(
      JSON.stringify(
        answer(() => {
          const request = parsed(line, 'the line')
          if (typeof request !== 'object' || request === null)
            throw new BadInput('wrong-type', '', 'a line must be an object with calculator and input')
          const { calculator, input } = request as { calculator?: unknown; input?: unknown }
          if (typeof calculator !== 'string') throw new BadInput('missing', 'calculator', 'is required')
          return computeByName(calculator, input)
        }),
      ),
    )
  }
  if (out.length > 0) process.stdout.write(`${out.join('\n')}\n`)
  return 0
}

function answer(work: () => object): object {
  try {
    return work()
  } catch (problem) {
    return asErrorShape(problem)
  }
}

function list(json: boolean): ExitCode {
  if (json) {
    console.log(
      JSON.stringify(
        Object.fromEntries(
          CALCULATOR_NAMES.map((name) => [
            name,
            { answers: CALCULATORS[name].answers, input: CALCULATORS[name].input },
          ]),
        ),
        null,
        2,
      ),
    )
    return 0
  }
  for (const name of CALCULATOR_NAMES) {
    console.log(
      `${name}\n  ${CALCULATORS[name].answers}\n  input: ${JSON.stringify(CALCULATORS[name].input)}\n`,
    )
  }
  return 0
}
