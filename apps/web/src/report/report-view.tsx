import { Box, Button, Heading, chakra } from '@chakra-ui/react'
import { useMemo } from 'react'
import { useParams, useSearchParams } from 'react-router'
import { PAPERS, type Paper, type ReportLook } from '@plumb-mark/contract'
import { AUDIENCES, AUDIENCE_WORDS, USUAL_PARTS, reportOf, type Audience } from '@plumb-mark/report'
import { useClippingFiles } from '../data/clippings.js'
import { LongDownload } from '../data/long-download.js'
import { useResource } from '../data/resource.js'
import { ChoiceField, optionsOf } from '../ui/choice-field.js'
import { isPracticeJob } from '../offline/practice-job.js'
import { useInspection } from '../job/inspection.js'
import { Shown } from './blocks.js'
import { Note, Strong } from '../ui/theme/text.js'
import { Cluster } from '../ui/cluster.js'

const PAPER_WORDS = { a4: 'A4', letter: 'US Letter' } satisfies Record<Paper, string>
const audienceIn = (asked: string | null): Audience => AUDIENCES.find((one) => one === asked) ?? 'record'

/** The report of a job as a page: the same parts as on paper, for whom they are chosen. */
export function ReportView() {
  const { jobId } = useParams()
  const [fields, setFields] = useSearchParams()
  const { inspection, broken, keyFingerprint } = useInspection()
  // Without signal the usual parts are shown: what the office chose is not at hand then.
  const { value: look } = useResource<ReportLook>('/api/office/report')
  const audience = audienceIn(fields.get('for'))
  const paper = PAPERS.find((one) => one === fields.get('paper')) ?? look?.paper ?? 'a4'
  const clippings = useClippingFiles(inspection?.sheets.values() ?? [])
  const parts = useMemo(
    () =>
      inspection
        ? reportOf(
            {
              inspection,
              broken,
              keyFingerprint,
              clippings,
              reworkAddress: `${location.origin}/jobs/${jobId}/rework`,
            },
            look?.parts[audience] ?? USUAL_PARTS[audience],
          )
        : [],
    [inspection, broken, keyFingerprint, clippings, jobId, look, audience],
  )
  if (!inspection) return null
  const choose = (field: string, value: string) =>
    setFields({ ...Object.fromEntries(fields), [field]: value })
  return (
    <Box maxW="920px" mx="auto" px={{ base: '14px', md: '24px' }} pb="60px">
      <Cluster alignItems="end" py="14px" css={{ '@media print': { display: 'none' } }}>
        <ChoiceField
          label="Report for"
          value={audience}
          options={optionsOf(AUDIENCES, AUDIENCE_WORDS)}
          onChange={(value) => choose('for', value)}
        />
        <ChoiceField
          label="Paper"
          value={paper}
          options={optionsOf(PAPERS, PAPER_WORDS)}
          onChange={(value) => choose('paper', value)}
        />
        {!isPracticeJob(jobId) && (
          <LongDownload address={`/api/jobs/${jobId}/report.pdf`} fields={{ for: audience, paper }}>
            PDF report
          </LongDownload>
        )}
        <Button variant="outline" onClick={() => window.print()}>
          Print this page
        </Button>
      </Cluster>
      {look?.letterhead.name && (
        <Box textAlign="right" lineHeight={1.3}>
          <Strong>{look.letterhead.name}</Strong>
          {look.letterhead.lines.map((line) => (
            <Note key={line}>{line}</Note>
          ))}
        </Box>
      )}
      <Heading as="h1" fontFamily="heading" fontSize="34px" mb="6px">
        {inspection.state.header?.title}
      </Heading>
      {parts.length > 1 && (
        <chakra.nav aria-label="Contents" css={{ '@media print': { display: 'none' } }}>
          <Cluster gap="2px 16px">
            {parts.map(({ id, title }) => (
              <chakra.a
                key={id}
                href={`#${id}`}
                color="accent"
                minH="44px"
                display="inline-flex"
                alignItems="center"
              >
                {title}
              </chakra.a>
            ))}
          </Cluster>
        </chakra.nav>
      )}
      {parts.map(({ id, title, blocks, ownPage, turned }) => (
        <chakra.section
          key={id}
          id={id}
          aria-labelledby={`${id}-title`}
          mt="30px"
          css={{ '@media print': { breakBefore: ownPage || turned ? 'page' : 'auto' } }}
        >
          <Heading
            as="h2"
            id={`${id}-title`}
            fontFamily="heading"
            fontSize="26px"
            mb="6px"
            breakAfter="avoid"
          >
            {title}
          </Heading>
          {blocks.map((block, i) => (
            <Shown key={i} block={block} />
          ))}
        </chakra.section>
      ))}
    </Box>
  )
}
