import { CHAPTERS } from './texts.js'

/** All of the help as one document in Markdown: the same texts that stand in the program. */
export function guideText(): string {
  const chapters = CHAPTERS.map(({ title, texts }) =>
    [
      `## ${title}`,
      ...texts.flatMap((one) => [
        `### ${one.title}`,
        one.text,
        ...(one.questions ?? []).map(([question, answer]) => `**${question}** ${answer}`),
      ]),
    ].join('\n\n'),
  )
  return `${['# Guide', CAUTION, ...chapters].join('\n\n')}\n`
}

const CAUTION =
  'Only qualified people open, measure or change live equipment; follow the local code and the authority. The program compares and computes, it does not replace a licensed judgement.'
