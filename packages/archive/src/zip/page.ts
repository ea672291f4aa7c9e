import {
  STAGES,
  STAGE_TITLES,
  VERDICT_WORDS,
  fingerprint,
  fold,
  inspect,
  isOpen,
  photosShown,
  sheetsById,
  type ArchivedPhoto,
  type InspectionFile,
  type Inspection,
} from '@plumb-mark/core'
import { photoFile } from './names.js'

type Picture = Pick<ArchivedPhoto, 'id' | 'type'>

/** The record as a plain page that any browser shows, years from now and without this program: it runs nothing and fetches nothing. */
export function recordPage(file: InspectionFile, photos: readonly Picture[]): string {
  let inspection: Inspection | undefined
  try {
    inspection = inspect(fold(file.entries), sheetsById(file.sheets))
  } catch {
    // What cannot be judged is still shown entry by entry.
  }
  const header = inspection?.state.header
  const seal = inspection?.state.seal
  return `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; img-src 'self' file: data:; style-src 'unsafe-inline'">
<title>${text(header?.number)} ${text(header?.title)}</title>
<style>${STYLE}</style>
<h1>${text(header?.title ?? 'Inspection record')}</h1>
<p>${text(header?.number)} · ${text(header?.site)} · ${text(header?.customer)}</p>
<p><b>${inspection ? VERDICT_WORDS[inspection.verdict] : 'cannot be judged'}</b>, ${
    seal
      ? `signed and sealed by ${text(seal.by.name)}, licence ${text(seal.body.licence)}, ${text(seal.at)}`
      : 'not signed'
  }. Fingerprint ${fingerprint(file.entries.at(-1)?.hash ?? '')}.</p>
<p class="caution">People can be hurt by this work. Only qualified people open, measure or change electrical equipment; prove dead before
touching. The local code, the authority and a licensed person decide.</p>
${inspection ? judged(inspection, photos) : ''}
<h2>Every entry</h2>
<table><tr><th>No.<th>Time<th>Person<th>What<th>Content${file.entries.map(entryLine).join('\n')}</table>
</html>
`
}

function judged({ checks, defects }: Inspection, photos: readonly Picture[]): string {
  const pictures = new Map(photos.map((photo) => [photo.id, photo]))
  const shown = (entry: Parameters<typeof photosShown>[0]) =>
    photosShown(entry)
      .map(({ id, caption }) => {
        const picture = pictures.get(id)
        return picture
          ? `<img loading="lazy" src="${photoFile(id, picture.type)}" alt="${text(caption)}">`
          : ''
      })
      .join('')
  const defectLines = defects.map(
    (defect) =>
      `<tr><td>${text(defect.severity)}<td>${text(defect.title)}, ${text(defect.place)}<td>${text(defect.finding)}<td>${text(defect.remedy)}<td>${isOpen(defect) ? 'open' : text(defect.state)}<td>${[defect.raised, ...defect.steps].map(shown).join('')}`,
  )
  const stages = STAGES.filter((stage) => checks.some(({ check }) => check.stage === stage))
  return `<h2>Defects</h2>
${defectLines.length === 0 ? '<p>None was raised.' : `<table><tr><th>Severity<th>What and where<th>Found<th>What must be done<th>State<th>Photos${defectLines.join('\n')}</table>`}
${stages
  .map((stage) => {
    const lines = checks
      .filter(({ check }) => check.stage === stage)
      .map(
        ({ check, outcome }) =>
          `<tr><td>${text(check.title)}<td>${text(check.place)}<td>${text(String(check.required))}<td>${'finding' in outcome ? text(String(outcome.finding)) : ''}<td>${VERDICT_WORDS[outcome.verdict]}<td>${text(check.sheet.maker)} ${text(check.sheet.model)} ${text(check.requirement.clause)}`,
      )
    return `<h2>${text(STAGE_TITLES[stage])}</h2><table><tr><th>Check<th>Where<th>Required<th>Found<th>Verdict<th>Clause${lines.join('\n')}</table>`
  })
  .join('\n')}`
}

const entryLine = ({ seq, at, by, kind, body }: InspectionFile['entries'][number]): string =>
  `<tr><td>${seq}<td>${text(at)}<td>${text(by.name)}<td>${text(kind)}<td><code>${text(short(JSON.stringify(body)))}</code>`

const LONGEST = 600
const short = (words: string) => (words.length > LONGEST ? `${words.slice(0, LONGEST)} …` : words)

/** Nothing that somebody typed becomes markup. */
const text = (said: unknown): string =>
  String(said ?? '').replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)

const STYLE = `body{font:16px/1.4 system-ui,sans-serif;max-width:1100px;margin:2rem auto;padding:0 1rem;color:#22211d;background:#fbf8f1}
table{border-collapse:collapse;width:100%;font-size:14px}td,th{border-bottom:1px solid #d5ccb9;padding:5px 8px;text-align:left;vertical-align:top}
code{overflow-wrap:anywhere;font-size:12px}.caution{border-left:4px solid #9a3119;padding-left:10px}img{max-width:220px;max-height:160px;margin:2px}`
