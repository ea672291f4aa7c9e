import { readFile } from 'node:fs/promises'
import { readSheetText } from '@plumb-mark/contract'
import {
  BadInput,
  readInspectionFile,
  unknownInspectionFields,
  type InspectionFile,
  type Sheet,
} from '@plumb-mark/core'

/** All of standard input as text. */
export async function standardInput(): Promise<string> {
  process.stdin.setEncoding('utf8')
  let text = ''
  for await (const chunk of process.stdin) text += chunk as string
  return text
}

/** JSON with a refusal instead of a stack trace. */
export function parsed(text: string, what: string): unknown {
  try {
    return JSON.parse(text)
  } catch (problem) {
    throw new BadInput('not-json', '', `${what} is not JSON: ${(problem as Error).message}`)
  }
}

/** An exported inspection; a refusal names the file beside place and reason. */
export async function inspectionIn(
  file: string,
): Promise<{ record: InspectionFile; unknown: ReturnType<typeof unknownInspectionFields> }> {
  const data = parsed(await readFile(file, 'utf8'), file)
  try {
    return { record: readInspectionFile(data), unknown: unknownInspectionFields(data) }
  } catch (problem) {
    if (!(problem instanceof BadInput)) throw problem
    throw new BadInput(problem.code, problem.path, `${problem.reason} (in ${file})`)
  }
}

/** A sheet as its maker's file; nothing where it cannot be read. */
export function readSource(source: string): Sheet | undefined {
  const text = readSheetText(source)
  return text.ok ? text.sheet : undefined
}

/** The one file that a command takes, and whether --json was given. */
export function fileArgument(args: string[]): { file: string; json: boolean } {
  const [file, ...more] = args.filter((arg) => !arg.startsWith('--'))
  const unknown = args.find((arg) => arg.startsWith('--') && arg !== '--json')
  if (unknown) throw new Error(`there is no option ${unknown}`)
  if (!file || more.length > 0) throw new Error('name one file; see plumb-mark --help')
  return { file, json: args.includes('--json') }
}
