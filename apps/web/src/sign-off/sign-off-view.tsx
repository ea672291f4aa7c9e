import { Box, Button, Flex, Stack, Text, chakra } from '@chakra-ui/react'
import { Link, useParams } from 'react-router'
import type { SheetSummary } from '@plumb-mark/contract'
import {
  ENTERED_WORDS,
  blockers,
  fingerprint,
  isOpen,
  statedAbsences,
  type Blocker,
  type BlockerKind,
  type EntryId,
  type Inspection,
  type Signer,
} from '@plumb-mark/core'
import { Lead, Note, PartHeading, SmallMono, SmallUnproven } from '../ui/theme/text.js'
import { LongDownload } from '../data/long-download.js'
import { toLink } from '../data/calculators/link.js'
import { useResource } from '../data/resource.js'
import { useSession } from '../data/session.js'
import { checkAddress } from '../job/check-in-address.js'
import { useInspection } from '../job/inspection.js'
import { isPracticeJob } from '../offline/practice-job.js'
import { useSiteTime } from '../job/site-time.js'
import { MadeVoidList } from './made-void-list.js'
import { Remarks } from './remarks.js'
import { SecondReader } from './second-reader.js'
import { Cluster } from '../ui/cluster.js'
import { lazyPart } from '../ui/lazy-part.js'
import { Summary } from '../ui/buttons.js'
import { Item } from '../ui/list.js'

const SignForm = lazyPart(async () => (await import('./sign-form.js')).SignForm)

const KINDS = {
  'nothing-to-judge': 'Nothing to judge',
  'sheet-missing': 'Sheets missing',
  'sheet-not-released': 'Sheets not released',
  'entry-unreadable': 'Entries that cannot be read',
  'defect-open': 'Open stop and major defects',
  'failed-without-defect': 'Failures that nobody raised',
  'not-proven': 'Readings that prove nothing',
  'out-of-calibration': 'Instruments out of calibration',
  'proposal-open': 'Proposed, and confirmed by nobody',
  'cable-unjudged': 'Cables that no sheet asks for, and that carry too much',
  'scope-contradicted': 'Outside the scope, and entered all the same',
  'remark-open': 'Remarks without an answer',
  'second-reading-open': 'To be read by a second person',
  'not-inspected': 'Checks without an answer',
} satisfies Record<BlockerKind, string>

/** Exactly what stands in the way; when nothing does, the licensed signature; after it, the sealed record. */
export function SignOffView() {
  const inspection = useInspection((state) => state.inspection)
  if (!inspection) return null
  return (
    <Box layerStyle="page" maxW="860px">
      {inspection.state.seal ? <Sealed inspection={inspection} /> : <Open inspection={inspection} />}
      <SecondReader inspection={inspection} />
      <Remarks inspection={inspection} />
      <MadeVoidList inspection={inspection} />
      <OutsideScope inspection={inspection} />
      <StatedAbsences inspection={inspection} />
      <Calculations inspection={inspection} />
      <Downloads />
    </Box>
  )
}

const Heading = chakra('h2', {
  base: { fontFamily: 'heading', fontWeight: 600, fontSize: '32px', lineHeight: 1.1 },
})

function Open({ inspection }: { inspection: Inspection }) {
  const role = useSession(({ person }) => person?.role)
  const sync = useInspection((state) => state.sync)
  const { value: library = [] } = useResource<SheetSummary[]>('/api/sheets')
  const notReleased = new Set(library.flatMap((sheet) => (sheet.notReleased ? [sheet.id] : [])))
  const inTheWay = blockers(inspection, notReleased)
  const minor = inspection.defects.filter(
    (defect) => isOpen(defect) && (defect.severity === 'minor' || defect.severity === 'note'),
  )
  if (inTheWay.length > 0) return <InTheWay found={inTheWay} inspection={inspection} />
  return (
    <Stack gap="14px">
      <Heading>Nothing stands in the way</Heading>
      {minor.length > 0 && <Text>The record will list {minor.length} open minor defects and notes.</Text>}
      {role !== 'reviewer' ? (
        <Text>The reviewer can now read the record and sign it.</Text>
      ) : sync !== 'kept' ? (
        <Text>Signing waits until everything on this device has been kept.</Text>
      ) : (
        <SignForm inspection={inspection} />
      )}
    </Stack>
  )
}

function InTheWay({ found, inspection }: { found: readonly Blocker[]; inspection: Inspection }) {
  const kinds = (Object.keys(KINDS) as BlockerKind[]).filter((kind) => found.some((one) => one.kind === kind))
  return (
    <>
      <Heading>
        {found.length} {found.length === 1 ? 'thing stands' : 'things stand'} in the way of a signature
      </Heading>
      {kinds.map((kind) => (
        <Group
          key={kind}
          title={KINDS[kind]}
          found={found.filter((one) => one.kind === kind)}
          inspection={inspection}
        />
      ))}
    </>
  )
}

const SHOWN = 6

function Group({
  title,
  found,
  inspection,
}: {
  title: string
  found: readonly Blocker[]
  inspection: Inspection
}) {
  const { jobId } = useParams()
  const addressOf = ({ checkId }: Blocker): string => {
    const check = checkId && inspection.checks[inspection.at.byId.get(checkId) ?? -1]?.check
    return check ? checkAddress(jobId!, check.stage, check.id) : `/jobs/${jobId}/walk`
  }
  const row = (one: Blocker) => (
    <chakra.li
      layerStyle="ruleBelow"
      key={`${one.kind}${one.checkId}${one.defectId}${one.entryId}${one.text}`}
    >
      <Flex asChild minH="44px" py="8px" align="center" _hover={{ color: 'accent' }}>
        {one.entryId ? (
          <StrikeOut entryId={one.entryId} text={one.text} />
        ) : (
          <Link to={addressOf(one)}>{one.text}</Link>
        )}
      </Flex>
    </chakra.li>
  )
  return (
    <Box mt="20px">
      <PartHeading>
        {title} ({found.length})
      </PartHeading>
      <ul>{found.slice(0, SHOWN).map(row)}</ul>
      {found.length > SHOWN && (
        <details>
          <Summary>{found.length - SHOWN} more</Summary>
          <ul>{found.slice(SHOWN).map(row)}</ul>
        </details>
      )}
    </Box>
  )
}

/** An entry that no program can read any more: it stays in the record, and is struck out to clear the way. */
function StrikeOut({ entryId, text }: { entryId: EntryId; text: string }) {
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const strike = () =>
    person && append(person, { kind: 'evidence-struck', body: { entryId, reason: 'cannot be read' } })
  return (
    <Flex align="center" gap="12px" flex="1">
      <Text flex="1">{text}</Text>
      {person?.role === 'inspector' && (
        <Button variant="outline" onClick={strike}>
          Strike out
        </Button>
      )}
    </Flex>
  )
}

function Sealed({ inspection: { state } }: { inspection: Inspection }) {
  const { by, at, body } = state.seal!
  const keyFingerprint = useInspection((store) => store.keyFingerprint)
  const signer = useInspection((store) => store.signer)
  const { day } = useSiteTime()
  return (
    <Stack gap="10px">
      <Heading>Signed and sealed</Heading>
      <Lead>
        By {by.name}, licence {body.licence}, on {day(at)}.
      </Lead>
      <img
        src={body.drawing}
        alt={`Signature of ${by.name}`}
        style={{ maxWidth: '320px', background: '#fff', padding: '8px' }}
      />
      <Text>{body.statement}</Text>
      <Note>
        Fingerprint of the whole record. Nothing in it can be changed any more; anyone can recompute it from
        the exported file.
      </Note>
      <Text fontFamily="mono" fontSize={{ base: '17px', md: '22px' }} data-testid="fingerprint">
        {fingerprint(state.head?.hash ?? '')}
      </Text>
      <Note>{keyWords(signer)}</Note>
      <SmallMono>{keyFingerprint}</SmallMono>
    </Stack>
  )
}

function keyWords(signer: Signer | undefined): string {
  if (!signer) return 'Fingerprint of the key with which this installation signed the seal.'
  if (signer.kind === 'known')
    return `Fingerprint of the key of ${signer.name}, another installation, which signed the seal.`
  return signer.kind === 'nobody'
    ? 'No installation signed the seal.'
    : 'Fingerprint of the key that signed the seal: none of this installation, and none that the office has accepted.'
}

/** What lies outside of the job: not inspected here, and never conforming. */
function OutsideScope({ inspection: { state } }: { inspection: Inspection }) {
  const scope = state.header?.scope
  if (!scope || scope.outside.length === 0) return null
  return (
    <Box mt="26px">
      <PartHeading>Outside the scope, not inspected here</PartHeading>
      <Note>Why: {scope.reason}</Note>
      <chakra.ul pl="20px">
        {scope.outside.map((one) => (
          <li key={one}>{ENTERED_WORDS[one]}</li>
        ))}
      </chakra.ul>
    </Box>
  )
}

/** What somebody said is not there, with the reason: whoever signs answers for it too. */
function StatedAbsences({ inspection }: { inspection: Inspection }) {
  const { when } = useSiteTime()
  const said = statedAbsences(inspection)
  if (said.length === 0) return null
  return (
    <Box mt="26px">
      <PartHeading>Said not to be there, or not to apply</PartHeading>
      <ul>
        {said.map(({ checkId, title, place, reason, by, at }) => (
          <Item key={checkId}>
            {title}, {place}: {reason}
            <Note as="span">
              {' '}
              {by.name}, {when(at)}
            </Note>
          </Item>
        ))}
      </ul>
    </Box>
  )
}

/** Calculations kept with the job, each with a link that opens it again with its figures. */
function Calculations({ inspection: { state } }: { inspection: Inspection }) {
  const { when } = useSiteTime()
  if (state.calculations.length === 0) return null
  return (
    <Box mt="26px">
      <PartHeading>Calculations kept with the job</PartHeading>
      <ul>
        {state.calculations.map(({ id, at, by, body }) => (
          <chakra.li layerStyle="ruleBelow" key={id}>
            <Flex asChild minH="44px" align="center" gap="10px" _hover={{ color: 'accent' }}>
              <Link to={`/calculators/${body.calculator}?in=${toLink(body.input)}`}>
                {body.title}
                <Note as="span">
                  {by.name}, {when(at)}
                </Note>
              </Link>
            </Flex>
          </chakra.li>
        ))}
      </ul>
    </Box>
  )
}

function Downloads() {
  const { jobId } = useParams()
  const sync = useInspection((state) => state.sync)
  // What a server makes of a job there is not of one that it never hears of.
  const practising = isPracticeJob(jobId)
  return (
    <Box mt="30px">
      <Cluster>
        {!practising && <LongDownload address={`/api/jobs/${jobId}/report.pdf`}>PDF report</LongDownload>}
        <Button asChild variant="outline">
          <Link to={`/jobs/${jobId}/report`}>Read the report</Link>
        </Button>
        {!practising && (
          <Button asChild variant="outline">
            <Link to={`/jobs/${jobId}/data`}>Record, tables and import</Link>
          </Button>
        )}
      </Cluster>
      {sync !== 'kept' && (
        <SmallUnproven mt="6px">
          Not everything on this device has reached the server: what is downloaded now lacks it.
        </SmallUnproven>
      )}
    </Box>
  )
}
