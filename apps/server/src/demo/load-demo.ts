import { readFileSync, readdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { parse } from 'yaml'
import { v7 as uuid } from 'uuid'
import { sha256 } from '@plumb-mark/archive'
import type { Instrument, PinnedSheet, Person } from '@plumb-mark/core'
import { DEMO_ACCOUNTS } from './demo-accounts.controller.js'
import { DemoJob, type JobScript } from './demo-job.js'
import type { DemoServices } from './demo-services.js'

export const DEMO_PASSWORD = 'plumb-demo'
/** Invented people. */
export const DEMO_PEOPLE: (Person & { email: string })[] = [
  { id: uuid(), name: 'Ottilie Marsh', role: 'inspector', email: 'inspector@plumb.example' },
  { id: uuid(), name: 'Bram Tolliver', role: 'installer', email: 'installer@plumb.example' },
  { id: uuid(), name: 'Isaura Penhale', role: 'reviewer', email: 'reviewer@plumb.example' },
  { id: uuid(), name: 'Corin Wakely', role: 'office', email: 'office@plumb.example' },
]

/** Fills an untouched database from the samples: people, sheets and instruments always, jobs unless they are not wanted. */
export async function loadDemo(
  samples: string,
  services: DemoServices,
  { jobs }: { jobs: boolean },
): Promise<void> {
  for (const person of DEMO_PEOPLE) await services.accounts.add({ ...person, password: DEMO_PASSWORD })
  await services.figures.keep(
    DEMO_ACCOUNTS,
    DEMO_PEOPLE.map(({ name, role, email }) => ({ name, role, email, password: DEMO_PASSWORD })),
  )
  const pinned = new Map<string, PinnedSheet>()
  for (const name of filesIn(samples, 'sheets')) {
    const sheet = await services.sheets.add(readFileSync(name, 'utf8'))
    pinned.set(sheet.id, sheet)
  }
  await keepManuals(samples, services)
  const instruments = parse(readFileSync(join(samples, 'instruments.yaml'), 'utf8')) as Instrument[]
  for (const instrument of instruments) await services.instruments.keep(instrument)
  if (!jobs) return
  // The last one written heads the list: the busiest job, first in the alphabet.
  for (const name of filesIn(samples, 'jobs').reverse())
    await new DemoJob(parse(readFileSync(name, 'utf8')) as JobScript, {
      samples,
      services,
      pinned,
      instruments,
      people: DEMO_PEOPLE,
    }).write()
}

/** The manuals that the sample sheets were read from, with their cut-outs. */
async function keepManuals(samples: string, { manuals }: DemoServices): Promise<void> {
  const folder = await manuals.coming()
  for (const name of readdirSync(join(samples, 'manuals'))) {
    const kind = name.endsWith('.pdf') ? 'manual' : 'clippings'
    const content = readFileSync(join(samples, 'manuals', name))
    const arrived = join(folder, name)
    writeFileSync(arrived, content)
    await manuals.keep(kind, sha256(content), arrived)
  }
}

function filesIn(samples: string, folder: string): string[] {
  return readdirSync(join(samples, folder))
    .filter((name) => name.endsWith('.yaml'))
    .sort()
    .map((name) => join(samples, folder, name))
}
