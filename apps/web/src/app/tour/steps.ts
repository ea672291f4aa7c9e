import type { CheckId, Defect, Inspection, Role } from '@plumb-mark/core'
import type { FirstJob, Shown } from '@plumb-mark/practice'
import { checkAddress } from '../../job/check-in-address.js'
import { PRACTICE_JOB } from '../../offline/practice-job.js'

/** What whoever is new tries at a stop: it is seen by what happens in the page, or by what stands in the job afterwards. */
export type Task = { say: string } & (
  | {
      on: 'input' | 'click'
      /** Within which part of the page, as a selector. */
      within: string
    }
  | { when: (inspection: Inspection) => boolean }
)

/** One stop of the tour: what is to be seen there, and what to try. */
export interface Stop {
  title: string
  say: string
  task: Task
  to: string
  /** Who one is at this stop: in the practice job one person inspects, puts right and signs. */
  as?: Role
}

const view = (name: string): string => `/jobs/${PRACTICE_JOB}/${name}`
const at = ({ stage, checkId }: Shown): string => checkAddress(PRACTICE_JOB, stage, checkId)

const says = (checkId: CheckId, verdict: string) => (inspection: Inspection) =>
  inspection.checks[inspection.at.byId.get(checkId) ?? -1]?.outcome.verdict === verdict
const defectIs = (checkId: CheckId, holds: (defect: Defect) => boolean) => (inspection: Inspection) =>
  inspection.defects.some((defect) => defect.checkId === checkId && holds(defect))

const CONDITION_WORDS: Readonly<Record<string, (value: number) => string>> = {
  cellTemperature: (value) => `cells at ${value} °C`,
  irradiance: (value) => `light of ${value} W/m²`,
}
const conditionsOf = ({ conditions }: Shown): string =>
  Object.entries(conditions)
    .flatMap(([name, value]) => CONDITION_WORDS[name]?.(value) ?? [])
    .join(' and ')

/** Ten minutes: a job of one's own from the tape to the signature, and then a made-up installation in which something is wrong. */
export function stopsOf({ shown: { tape, torque, voltage }, tooLoose }: FirstJob): readonly Stop[] {
  return [
    {
      title: 'Before the drive',
      say: 'A practice job, on this device only. What to bring, how long it takes and in which order follow from the units and their sheets.',
      task: {
        say: 'Touch what you would look at first',
        on: 'click',
        within: 'main section, main li, main tr',
      },
      to: view('preparation'),
      as: 'inspector',
    },
    {
      title: 'What the tape says',
      say: `Most of this house is inspected already; three readings are left to you. Between modules and roof the tape shows ${tape.typed}. Choose the instrument: a reading without one proves nothing. The verdict stands there before you save.`,
      task: { say: `Save ${tape.typed} at “${tape.title}”`, when: says(tape.checkId, 'conforms') },
      to: at(tape),
      as: 'inspector',
    },
    {
      title: 'What the torque driver says',
      say: `At this terminal it gives way at ${tooLoose}. A chevron at the mark conforms, a mark struck twice does not, a ring is not proven.`,
      task: {
        say: `Save ${tooLoose} at “${torque.title}”`,
        when: (inspection) =>
          says(torque.checkId, 'does-not-conform')(inspection) ||
          defectIs(torque.checkId, () => true)(inspection),
      },
      to: at(torque),
      as: 'inspector',
    },
    {
      title: 'A failure becomes a defect',
      say: 'It carries what was found, what is demanded, by which clause, and where. How bad it is comes from the sheet; a stop defect warns on every screen.',
      task: { say: 'Raise the defect', when: defectIs(torque.checkId, () => true) },
      to: at(torque),
      as: 'inspector',
    },
    {
      title: 'Now you are the installer',
      say: 'This is what the installer sees, on a phone: what to put right, in plain words, with the maker’s figure.',
      task: {
        say: 'Tighten it, and mark it as reworked',
        when: defectIs(torque.checkId, ({ state }) => state !== 'open'),
      },
      to: view('rework'),
      as: 'installer',
    },
    {
      title: 'Nobody closes a defect by saying so',
      say: `You are the inspector again. Read the terminal once more: this time the driver gives way at ${torque.typed}.`,
      task: { say: `Save ${torque.typed} at “${torque.title}”`, when: says(torque.checkId, 'conforms') },
      to: at(torque),
      as: 'inspector',
    },
    {
      title: 'From defect to closed',
      say: 'The new reading conforms, and that has closed the defect. Its whole way stays in the record: who found it, who put it right, what was read then.',
      task: { say: 'Touch the defect and read its way', on: 'click', within: 'main article' },
      to: view('defects'),
      as: 'inspector',
    },
    {
      title: 'What the meter says',
      say: `The string shows ${voltage.typed}, with ${conditionsOf(voltage)}. What is expected follows from the modules and the weather: without the weather nothing is proven. On a real roof, modules in light are live: only qualified people open and measure.`,
      task: {
        say: `Save ${voltage.typed} at “${voltage.title}”, with ${conditionsOf(voltage)}`,
        when: says(voltage.checkId, 'conforms'),
      },
      to: at(voltage),
      as: 'inspector',
    },
    {
      title: 'The signature',
      say: 'You are the reviewer now. Until nothing stands in the way, this screen lists what does; the signature then seals the record, and nobody changes a word of it unseen.',
      task: { say: 'Sign and seal', when: ({ state }) => state.seal !== undefined },
      to: view('sign-off'),
      as: 'reviewer',
    },
    {
      title: 'What is left a year later',
      say: 'The report says what was inspected, with what, by whom, and what was found. A real one goes out as PDF and as a record that anyone can verify.',
      task: { say: 'Look through the report', on: 'click', within: 'main' },
      to: view('report'),
      as: 'reviewer',
    },
    {
      title: 'Now without help: two faults are hidden',
      say: 'First make it safe, then look at everything, measure with an instrument that is in date, write down what you find, and finish: what you missed is shown once more.',
      task: { say: 'Begin an easy one', on: 'click', within: 'main button' },
      to: '/practice',
    },
  ]
}
