/** What stands on a screen, for whoever is new there, and what people ask. `:job` is any one. */
export const SCREENS_SAID = [
  {
    at: '/jobs/:job/walk',
    title: 'The walk',
    text: 'Stand in front of the thing, open its check, type what the tape, the driver or the meter says. The verdict stands there at once, with its arithmetic, the clause it comes from and what must be done. The plumb line on the left shows the stages and what each still wants; the picture on the right is drawn from this job, and is touched to measure or to answer.',
    questions: [
      [
        'Why is it not proven although the figure is inside?',
        'The instrument’s uncertainty reaches over the limit, or no instrument is chosen, or its calibration is over. Take a finer one, or bring the figure clear of the limit.',
      ],
      [
        'How do I answer many places at once?',
        'Open the group: readings stand as a table, questions are answered yes for all but those that you touch.',
      ],
      [
        'A check does not apply to what stands here.',
        'Open it and press “Not applicable, because …”. The reason and your name are shown to whoever signs. What is read off a drawing is corrected in the drawing, and a failure is raised.',
      ],
      [
        'I typed something wrong.',
        'Undo in the bar, or strike the reading out: it stays to be seen, with the reason.',
      ],
    ],
  },
  {
    at: '/jobs/:job/preparation',
    title: 'Preparation',
    text: 'What belongs to the job: units and their sheets, rules, people, visits. From the sheets follow the checks, the instruments to bring, protective equipment, lifts for two people, and how long it takes.',
    questions: [
      ['A unit has no sheet.', 'Make one: Sheets, then New from a manual, or New sheet without one.'],
      [
        'A newer sheet was written.',
        'It is offered with the checks that would change, and never taken over by itself.',
      ],
    ],
  },
  {
    at: '/jobs/:job/defects',
    title: 'Defects of a job',
    text: 'What does not conform and was raised, with its severity, its remedy and its way through rework to closed. A later conforming reading closes a defect; nobody closes it by hand.',
    questions: [
      [
        'How do I set a day, or who puts it right?',
        'Edit. What is overdue stands first here, in the list of all defects and in the calendar file.',
      ],
      ['Who may lower a severity?', 'Whoever raised it, with a reason; a stop is the reviewer’s.'],
      ['When is a defect closed?', 'When the same check is read again after the rework, and conforms.'],
    ],
  },
  {
    at: '/jobs/:job/rework',
    title: 'Rework',
    text: 'What you are to put right, in plain words, with the place and the clause. Say that it is done with a photo after it; the inspector looks again.',
    questions: [
      [
        'What happens after I said that it is done?',
        'The check waits for a new reading. It is closed when that conforms, or sent back with the reason.',
      ],
    ],
  },
  {
    at: '/jobs/:job/sign-off',
    title: 'Sign-off',
    text: 'What still stands in the way of the licensed signature, each with a link to where it is settled; then the signature, which seals the record.',
    questions: [
      [
        'Something has to be explained before I sign.',
        'Note remarks while you read, here or in an open check or defect, and return the job with them. Each is answered in the record; until then nothing is signed.',
      ],
      [
        'Two of us read every record.',
        'Ask a second reader. What is entered after they read is read again, and they do not sign.',
      ],
      [
        'Can a seal be taken off?',
        'No. The last screen before it says what is sealed. What has to be looked at later is inspected again, in a job of its own.',
      ],
      [
        'What does the seal do?',
        'From then on nothing in the record can be changed without being found out. What comes later is another job.',
      ],
      ['May minor defects stay open?', 'Yes: they are listed in the record with their date.'],
    ],
  },
  {
    at: '/jobs/:job/report',
    title: 'Report',
    text: 'The record as pages, for the customer, the network operator, the installer or the file; the same as PDF. The office chooses which parts go to whom.',
    questions: [
      [
        'Can the clauses of the manuals be shown?',
        'Yes: the office adds the part “Clauses of the makers’ manuals” under Office, Reports.',
      ],
    ],
  },
  {
    at: '/jobs',
    title: 'Jobs',
    text: 'Every job with what it is waiting for. Search by number, site, serial or word; narrow by stage, maker or person.',
    questions: [
      [
        'How do I begin one?',
        'New job: name it, choose units and sheets, or build it like an earlier one. Nothing of what was read elsewhere comes along.',
      ],
    ],
  },
  {
    at: '/defects',
    title: 'Defects of all jobs',
    text: 'Open and closed defects over every job, and what comes back: which clause of which maker fails how often.',
    questions: [
      [
        'What does the line beside a bar say?',
        'The range in which the true rate lies, by how many were seen: a short line rests on many.',
      ],
    ],
  },
  {
    at: '/sheets/from-manual',
    title: 'A sheet from a manual',
    text: 'The maker’s manual is read on this device. Every figure that was found stands beside its place on the page; accept it, change it, reject it, or say that it belongs to another model. Nothing of it is in force before that.',
    questions: [
      [
        'Something was not found.',
        'Drag over it on the page and say what it is, or say that this maker does not demand it.',
      ],
      [
        'The manual says two things.',
        'Both places stand first in the list: accept one. Your decision is written into the sheet.',
      ],
    ],
  },
  {
    at: '/sheets',
    title: 'Sheets',
    text: 'What makers demand, unit by unit and revision by revision: every check follows from a sheet. A revision that a job uses is never changed; a change is a revision of its own.',
    questions: [
      [
        'A new edition of a manual came.',
        'Open the sheet, then New edition of the manual: what differs is shown figure by figure.',
      ],
      [
        'What does “not released” mean?',
        'The office wants another person than its writer to look at it before a job is signed by it.',
      ],
    ],
  },
  {
    at: '/instruments',
    title: 'Instruments',
    text: 'What your people measure with: range, uncertainty, and until when the calibration is good. A reading is only as good as its instrument.',
    questions: [
      [
        'Which uncertainty do I enter?',
        'That of the calibration certificate; the usual one of its kind stands there until you correct it.',
      ],
    ],
  },
  {
    at: '/calculators',
    title: 'Calculators',
    text: 'Each rule by itself, for a quick answer on site. Type figures with their units; the working can be followed with a pencil.',
    questions: [
      [
        'Can I show it to somebody?',
        'Yes: a link or a code carries the figures, where the office lets calculators be used without signing in.',
      ],
    ],
  },
  {
    at: '/visits',
    title: 'Visits',
    text: 'Who goes where and when, what to bring, and which trips fit together.',
    questions: [['Can I have it in my calendar?', 'Yes: each visit leaves as a calendar file.']],
  },
  {
    at: '/practice',
    title: 'Practice',
    text: 'Made-up installations with hidden faults. Look with the tools in your hand, write down what you find; at the end you see what you missed.',
    questions: [
      ['Does anybody see my score?', 'No: it stays on this device.'],
      [
        'How do I try the whole way, up to the signature?',
        'With “Ten minutes through your first job”: a practice job on this device, in which you are the inspector, the installer and the reviewer. It is sent to nobody, and its signature seals nothing.',
      ],
    ],
  },
  {
    at: '/start',
    title: 'Getting started',
    text: 'Five things before the first inspection: the name on your reports and the rules of a new job, people, instruments, a first sheet, a first job. They can be done in any order, skipped, and found again in their own places.',
    questions: [
      [
        'May I begin without instruments?',
        'Yes, but a reading without one proves nothing: those that you have need a serial and the last day of their calibration.',
      ],
      [
        'What are the samples?',
        'Sheets of makers that do not exist, and house rules to begin from. They are marked in the library.',
      ],
    ],
  },
  {
    at: '/import',
    title: 'Import',
    text: 'A record as a ZIP, looked at before anything is taken; and jobs from a spreadsheet, opened all together or not at all.',
    questions: [
      [
        'What must the spreadsheet have?',
        'Number, title, site and customer. Units are named by maker and model, several with their number: 2 × Aldervane AH-8T. People are named as they are called here, the day as 2026-06-01.',
      ],
    ],
  },
  {
    at: '/office',
    title: 'Office',
    text: 'People and invitations, backups, what happened, networks that may be asked, reports, intervals, and whether sheets need four eyes.',
    questions: [
      [
        'Who may enter into which job?',
        'Every inspector, until the switch under People is on: then whoever opened a job, or is assigned to it under its Preparation. All inspectors can read all jobs.',
      ],
      ['Somebody lost their password.', 'Make a link under People and hand it over: it works once.'],
    ],
  },
  {
    at: '/device',
    title: 'On this device',
    text: 'What waits to be sent, what opens without signal, and what the server did not take, with the reason and what to do about it.',
    questions: [
      [
        'May I sign out while something waits?',
        'Send it first: what nobody received is lost with the device.',
      ],
    ],
  },
] as const satisfies readonly {
  at: string
  title: string
  text: string
  questions: readonly (readonly [string, string])[]
}[]
