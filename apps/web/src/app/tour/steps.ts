/** What whoever is new tries at a stop: it is seen by what happens in the page, whichever room that is. */
export interface Task {
  say: string
  on: 'input' | 'click'
  /** Within which part of the page, as a selector. */
  within: string
}

/** One stop of the tour: what is to be seen there, and what to try. */
export interface Stop {
  title: string
  say: string
  task: Task
  /** Where it is; of a job, where one is at hand. */
  to: (jobId: string) => string
  ofJob?: boolean
}

/** Ten minutes: once through a job as it is worked on, and then a made-up one to work on oneself. */
const STOPS: readonly Stop[] = [
  {
    title: 'Jobs say what they wait for',
    say: 'Not how much is done, but who has to do what next. The semicolon key opens one line that finds anything.',
    task: { say: 'Search for a site, a serial or a defect', on: 'input', within: 'main input' },
    to: () => '/jobs',
  },
  {
    title: 'Before the drive',
    say: 'What to bring, what the day must bring, how long it takes and in which order follow from the units and their sheets. Look which instrument is out of date.',
    task: {
      say: 'Touch what you would look at first',
      on: 'click',
      within: 'main section, main li, main tr',
    },
    to: (jobId) => `/jobs/${jobId}/preparation`,
    ofJob: true,
  },
  {
    title: 'The line, the checks, the picture',
    say: 'The bob hangs at the stage at hand. A unit that is touched takes another offset: gaps and verdicts follow each key. Leave it with Escape, or take it back with the arrow at the top.',
    task: { say: 'Touch a unit on the wall', on: 'click', within: 'main [data-item]' },
    to: (jobId) => `/jobs/${jobId}/walk/place-and-mount`,
    ofJob: true,
  },
  {
    title: 'A reading is judged as it is typed',
    say: 'The verdict stands before you save: a chevron at the mark conforms, a mark struck twice does not, a ring is not proven. Clear the field to leave it as it was.',
    task: { say: 'Open a reading and type a figure, in any unit', on: 'input', within: 'main input' },
    to: (jobId) => `/jobs/${jobId}/walk/dc`,
    ofJob: true,
  },
  {
    title: 'From defect to closed',
    say: 'A defect goes to the installer, comes back as reworked, and closes only when it is read again and conforms. A stop defect warns on every screen.',
    task: { say: 'Touch a defect and read its way so far', on: 'click', within: 'main article' },
    to: (jobId) => `/jobs/${jobId}/defects`,
    ofJob: true,
  },
  {
    title: 'What stands in the way of a signature',
    say: 'The licensed signature seals the record. Until then this list says what is wanting; afterwards nobody changes a word unseen.',
    task: { say: 'Go to something that stands in the way', on: 'click', within: 'main a' },
    to: (jobId) => `/jobs/${jobId}/sign-off`,
    ofJob: true,
  },
  {
    title: 'A quick answer on site',
    say: 'Every calculator also stands by itself: type what the meter says, and see what explains it. A link carries the figures.',
    task: { say: 'Change a figure', on: 'input', within: 'main input' },
    to: () => '/calculators/string-voltage',
  },
  {
    title: 'Now you: two faults are hidden',
    say: 'First make it safe, then look at everything, measure with an instrument that is in date, write down what you find, and finish: what you missed is shown once more.',
    task: { say: 'Begin an easy one', on: 'click', within: 'main button' },
    to: () => '/practice',
  },
]

/** The stops that can be gone to: without a job those of a job are left out. */
export const stopsFor = (jobId: string | undefined): readonly Stop[] =>
  STOPS.filter(({ ofJob }) => jobId !== undefined || !ofJob)
