import { printedFigures, type PrintHabits, type PrintedFigure } from '@plumb-mark/core'
import { placeOf, sentencesOf, type Passage, type Sentence } from '../layout/passage.js'
import { count, fasteners, sequence } from './counts.js'
import { lampInWords } from './lamps.js'
import { length } from './lengths.js'
import { breaker, conductor, humidity, mass, temperature, tilt, torque, wait } from './others.js'
import { rating } from './ratings.js'
import { settingInWords } from './settings.js'
import type { Device, Fact, Spot } from './spot.js'

/** Where a fact may be about another model than the one that is read for. */
export interface Models {
  /** The model that a mention just before this place means; undefined where none is named. */
  namedIn(text: string): string | undefined
}

export interface Surroundings {
  habits: PrintHabits
  device: Device
  models: Models
  isPicture: (page: number) => boolean
}

/** Facts of running text. */
export function factsOfPassage(passage: Passage, around: Surroundings): Fact[] {
  const sentences = sentencesOf(passage)
  return sentences.flatMap((sentence, i) => factsOfSentence(sentence, sentences[i - 1]?.text ?? '', around))
}

function factsOfSentence(sentence: Sentence, before: string, around: Surroundings): Fact[] {
  if (/^(?:example|e\.g\.|for example)\b/i.test(sentence.text)) return []
  const figures = printedFigures(sentence.text, around.habits).filter(
    ({ dimension }) => dimension !== 'count',
  )
  const spots = figures.map((figure, i) =>
    spotOf(sentence, figure, figures[i - 1], figures[i + 1], before, around),
  )
  const whole = spotOf(sentence, NOTHING, undefined, undefined, before, around)
  return [
    ...spots.flatMap((spot) => byDimension(spot)),
    ...count(whole),
    ...fasteners(whole),
    ...sequence(whole),
    ...lampInWords(whole),
  ]
}
const NOTHING: PrintedFigure = { dimension: 'count', unit: '', at: 0, end: 0, text: '' }

function spotOf(
  { text, at, passage }: Sentence,
  figure: PrintedFigure,
  previous: PrintedFigure | undefined,
  next: PrintedFigure | undefined,
  before: string,
  { device, models, isPicture }: Surroundings,
): Spot {
  // Words that made it a bound belong to what leads to it: “no longer than”.
  const lead = text.slice(previous?.end ?? 0, figure.at) + /^[^\d]*/.exec(figure.text)![0]
  const tail = text.slice(figure.end, next?.at ?? text.length)
  const from = text.lastIndexOf(';', figure.at) + 1
  const semicolon = text.indexOf(';', figure.end)
  const placeAt = (from: number, end: number) => placeOf(passage, at + from, at + Math.max(end, from + 1))
  const { page, box } = placeAt(Math.max(figure.at, figure.end - 6), figure.end)
  const model = models.namedIn(text.slice(0, figure.at))
  return {
    figure,
    lead,
    tail: /^[^;]*/.exec(tail)![0],
    clausePart: text.slice(from, semicolon < 0 ? text.length : semicolon),
    sentence: text,
    paragraph: passage.text,
    before,
    caption: passage.kind === 'caption' ? passage.text : '',
    titles: passage.titles,
    clause: passage.clause,
    page,
    box,
    placeAt,
    device,
    fromPicture: isPicture(page),
    ...(model !== undefined && { model }),
  }
}

/** Finders by what a figure measures. */
export function byDimension(spot: Spot): Fact[] {
  const set = settingInWords(spot)
  if (set.length > 0) return set
  switch (spot.figure.dimension) {
    case 'torque':
      return torque(spot)
    case 'length':
      return length(spot)
    case 'conductor-size':
      return conductor(spot)
    case 'mass':
      return mass(spot)
    case 'temperature':
      return temperature(spot)
    case 'percent':
      return humidity(spot)
    case 'angle':
      return tilt(spot)
    case 'time':
      return wait(spot)
    case 'current': {
      const protecting = breaker(spot)
      return protecting.length > 0 ? protecting : rating(spot)
    }
    case 'voltage':
    case 'power':
    case 'frequency':
      return rating(spot)
    default:
      return []
  }
}
