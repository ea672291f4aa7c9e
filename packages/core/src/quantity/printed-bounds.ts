/** What the words or the sign beside a printed figure make of it, and how many characters they take. */
export interface Bound {
  kind: 'min' | 'max' | 'beyond'
  length: number
}

const pattern = (words: readonly string[], where: 'before' | 'after') =>
  where === 'before'
    ? new RegExp(`(?<![a-z])(?:${words.join('|')})[\\s:]*(?:of\\s+|be\\s+|about\\s+|a\\s+)?$`, 'i')
    : new RegExp(`^[\\s)]*(?:${words.join('|')})(?!\\s*\\d)`, 'i')

/** A denial, with a few words between it and what it denies: “neither of them may be longer than”. */
const NOT = '(?:not|no|never|nowhere|nor|neither|none|nothing|cannot|without)(?: [a-z]+){0,5}?'
const BEFORE: readonly (readonly [RegExp, Bound['kind']])[] = [
  [
    pattern(
      [
        'at least',
        'at the least',
        `${NOT} (?:less|fewer|smaller|lower|closer|nearer|shorter|narrower|thinner) than`,
        `${NOT} (?:under|below|beneath)`,
        'min(?:\\.|imum)?(?: of)?',
        'a minimum(?: distance)? of',
        '[≥⩾]',
        '>=?',
        'starting (?:at|from)',
      ],
      'before',
    ),
    'min',
  ],
  [
    pattern(
      [
        'at most',
        'at the most',
        `${NOT} (?:more|greater|longer|larger|further|farther|higher|bigger|thicker|wider|deeper) than`,
        `${NOT} (?:above|over|beyond|exceed(?:ing)?)`,
        '(?:must|may|shall|should) not exceed',
        'does not exceed',
        'max(?:\\.|imum)?(?: of)?',
        'a maximum of',
        'up to',
        'within',
        '(?:stay|stays|remain|remains|be|keep|lie|lies) (?:below|under)',
        'limited to',
        'as (?:much|many|long) as',
        'less than',
        'fewer than',
        '[≤⩽]',
        '<=?',
      ],
      'before',
    ),
    'max',
  ],
  [
    pattern(
      ['above', 'over', 'beyond', '(?:higher|more|longer|larger|greater|deeper) than', 'exceed(?:s|ing)?'],
      'before',
    ),
    'beyond',
  ],
]

const AFTER: readonly (readonly [RegExp, Bound['kind']])[] = [
  [
    pattern(
      [
        '(?:or|and) (?:more|larger|deeper|thicker|greater|above|wider|longer|over|better|higher|heavier)\\b',
        '(?:and )?upwards?\\b',
        'and up\\b',
        'min(?:\\.|imum\\b|\\b)',
        'at (?:the )?least\\b',
        'as a minimum\\b',
        '\\+(?!\\d)',
      ],
      'after',
    ),
    'min',
  ],
  [
    pattern(
      [
        'or (?:less|shorter|smaller|below|lower|fewer|lighter|thinner|under)\\b',
        'max(?:\\.|imum\\b|\\b)',
        'at (?:the )?most\\b',
        'as a maximum\\b',
        '(?:is|are) the (?:most|limit|utmost)\\b',
      ],
      'after',
    ),
    'max',
  ],
]

export function beforeFigure(text: string): Bound | undefined {
  for (const [words, kind] of BEFORE) {
    const found = words.exec(text.slice(-64))
    if (found) return { kind, length: found[0].length }
  }
  return undefined
}

export function afterFigure(text: string): Bound | undefined {
  for (const [words, kind] of AFTER) {
    const found = words.exec(text.slice(0, 32))
    if (found) return { kind, length: found[0].length }
  }
  return undefined
}

/** Do two figures make one range? "4–6", "20 … 60", "2 to 3"; "and" only after "between". */
export function joinsRange(before: string, between: string): boolean {
  if (/^\s*(?:[-–—−~…]|\.{2,3}|to|through|up to|till|until)\s*$/i.test(between)) return true
  return /^\s*(?:and|to)\s*$/i.test(between) && /between\s*$/i.test(before)
}
