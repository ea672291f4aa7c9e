import type { PrintHabits } from '@plumb-mark/core'
import { factsOfPassage, type Surroundings } from './finders/prose.js'
import { factsOfTable } from './finders/tables.js'
import { figureLabels } from './finders/drawings.js'
import { observationsOf, spoken } from './finders/observations.js'
import { stepsOf } from './finders/steps.js'
import type { Device, Fact } from './finders/spot.js'
import { manualText, type Block, type ManualText } from './layout/document.js'
import type { Page } from './page/page.js'
import { isSameModel, modelsOf } from './resolve/models.js'
import { namedModels } from './resolve/named-models.js'
import { resolved } from './resolve/resolve.js'

export interface ManualFacts {
  facts: Fact[]
  /** Sentences that demand something to be seen. */
  observations: Fact[]
  /** Said of other models than the one that is read for. */
  ofOthers: Fact[]
  /** The one that was read for: chosen, or the one that the copy says it belongs to. */
  model: string | undefined
  /** The models that the manual tells apart, as it names them. */
  models: string[]
  device: Device
}

/** Reads the pages of a manual: what it demands, where it says so, of which model. `model` is the one that stands on the wall. */
export function readManual(
  pages: readonly Page[],
  { model }: { model?: string | undefined } = {},
): ManualFacts {
  const text = manualText(pages)
  const listed = namedModels(text)
  const chosen = model ?? listed.packedWith
  const models = modelsOf(chosen, listed.models)
  const pictures = new Set(pages.filter(({ fromPicture }) => fromPicture).map(({ number }) => number))
  const around: Surroundings = {
    habits: { decimal: text.decimal } satisfies PrintHabits,
    device: deviceOf(text),
    models,
    isPicture: (page) => pictures.has(page),
  }
  const read = text.blocks.filter((block) => !isAside(block)).flatMap((block) => factsOf(block, around))
  const all = [...read, ...stepsOf(text, around), ...figureLabels(text, around)]
  const facts = resolved(all, text, around)
    .map((fact) => withModel(fact, chosen))
    .sort((a, b) => a.page - b.page || a.box.top - b.box.top)
  const isMine = ({ model: of }: Fact) => of === undefined || chosen === undefined || isSameModel(of, chosen)
  return {
    facts: facts.filter(isMine),
    observations: observationsOf(
      spoken(text).filter((passage) => !isAside(passage)),
      around,
      facts,
    ),
    ofOthers: facts.filter((fact) => !isMine(fact)),
    model: chosen,
    models: [...listed.models],
    device: around.device,
  }
}

const factsOf = (block: Block, around: Surroundings): Fact[] =>
  block.kind === 'table'
    ? factsOfTable(block, around)
    : block.kind === 'label'
      ? []
      : factsOfPassage(block, around)

/** A field that several models share is that of the model in hand. */
function withModel(fact: Fact, chosen: string | undefined): Fact {
  if (fact.model === undefined || !fact.model.includes(' | ')) return fact
  const names = fact.model.split(' | ')
  return {
    ...fact,
    model: names.find((name) => chosen !== undefined && isSameModel(name, chosen)) ?? names[0]!,
  }
}

/** Headings under which nothing is demanded: worked examples, parts, history, guarantee. */
const ASIDE =
  /\b(?:examples?|worked out|on paper|efficiency|spare|parts list|changes|history|revisions?|journal|log book|guarantee|warranty|glossary|terms|abbreviations|in the (?:crate|carton|box)|what is in|contents|delivery|delivered|scope of supply|storage|upkeep|care|service desk|imprint|declaration|disposal)\b/i

const isAside = ({ titles }: Block) => ASIDE.test(titles.at(-1) ?? '')

function deviceOf({ blocks, pages }: ManualText): Device {
  const words = [
    ...pages.slice(0, 2).flatMap(({ items }) => items.map(({ text }) => text)),
    ...blocks.map((block) => (block.kind === 'table' ? '' : block.text)),
  ].join(' ')
  const count = (pattern: RegExp) => words.match(pattern)?.length ?? 0
  const found = [
    ['inverter', count(/\binverters?\b/gi)],
    ['battery', count(/\bbatter(?:y|ies)\b|\bstacks?\b/gi)],
    ['meter', count(/\b(?:energy )?meters?\b/gi)],
  ] as const
  const title = pages[0]?.items.map(({ text }) => text).join(' ') ?? ''
  const at = (name: string) => title.search(new RegExp(`\\b${name.replace(/y$/, '')}(?:s|y|ies)?\\b`, 'i'))
  const named = found.filter(([name]) => at(name) >= 0).sort((a, b) => at(a[0]) - at(b[0]))[0]
  return named?.[0] ?? [...found].sort((a, b) => b[1] - a[1])[0]![0]
}
