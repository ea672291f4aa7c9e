import { readFileSync, readdirSync } from 'node:fs'
import { join } from 'node:path'
import { parse } from 'yaml'
import { v7 as uuid } from 'uuid'
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
  const taken = await services.samples.takeAll()
  const pinned = new Map<string, PinnedSheet>(taken.map((sheet) => [sheet.id, sheet]))
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

function filesIn(samples: string, folder: string): string[] {
  return readdirSync(join(samples, folder))
    .filter((name) => name.endsWith('.yaml'))
    .sort()
    .map((name) => join(samples, folder, name))
}
