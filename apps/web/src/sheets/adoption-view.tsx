import { Box, Button, Text, chakra } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { useNavigate, useParams } from 'react-router'
import type { SheetInLibrary } from '@plumb-mark/contract'
import { sameMessage, adoptionChanges, sheetName, withSheet, type Verdict } from '@plumb-mark/core'
import { Faint, Lead, Note, PartTitle, SmallMono, Strong } from '../ui/theme/text.js'
import { useMessageText } from '../job/message-text.js'
import { useSession } from '../data/session.js'
import { useResource } from '../data/resource.js'
import { Problem } from '../ui/problem.js'
import { VerdictMark } from '../ui/verdict-mark.js'
import { useInspection } from '../job/inspection.js'
import { Differences } from './differences.js'
import { Cluster } from '../ui/cluster.js'

const KIND_WORDS = { new: 'a new check', gone: 'no longer asked for', changed: 'judged otherwise' } as const
const Row = chakra('li', {
  base: {
    display: 'grid',
    gridTemplateColumns: { base: '1fr', md: '1fr 1fr' },
    gap: '4px 20px',
    py: '11px',
    borderTop: '1px solid',
    borderColor: 'hair',
  },
})

/** What adopting another revision would change in this job, check by check, before it is adopted. */
export function AdoptionView() {
  const { jobId, fromId, toId } = useParams()
  const go = useNavigate()
  const saying = useMessageText()
  const { inspection, sheets, append, addSheet } = useInspection()
  const person = useSession((session) => session.person)
  const { value: to, problem: missing } = useResource<SheetInLibrary>(`/api/sheets/${toId}`)
  const [refused, setProblem] = useState('')
  const problem = refused || missing
  const changes = useMemo(
    () =>
      inspection && to && fromId
        ? adoptionChanges(inspection, withSheet(inspection.state, sheets, fromId, to.sheet))
        : undefined,
    [inspection, sheets, to, fromId],
  )
  const from = fromId ? sheets.get(fromId) : undefined
  if (problem) return <Problem p="24px">{problem}</Problem>
  if (!to || !changes || !inspection) return null
  if (!from) return <Text p="24px">This job is not judged by that revision (any more).</Text>
  const may = (person?.role === 'inspector' || person?.role === 'office') && !inspection.state.seal
  const adopt = async () => {
    try {
      append(person!, { kind: 'sheet-adopted', body: { sheet: await addSheet(toId!), replaces: fromId! } })
      await go(`/jobs/${jobId}/walk`)
    } catch (fault) {
      setProblem((fault as Error).message)
    }
  }
  return (
    <Box layerStyle="page" maxW="980px">
      <PartTitle as="h1">
        {sheetName(from)} → revision {to.sheet.revision}
      </PartTitle>
      <Lead mt="4px">
        {changes.length === 0
          ? 'No check of this job would be different.'
          : `${changes.length} check${changes.length === 1 ? '' : 's'} of this job would be different. Readings stay where they are; they are judged anew.`}
      </Lead>
      <chakra.ul mt="14px" aria-label="Checks that would be different">
        {changes.map((change) => (
          <Row key={change.checkId}>
            <Box>
              <Strong>{change.title}</Strong>
              <Note>
                {change.place}, clause {change.clause}: {KIND_WORDS[change.kind]}
              </Note>
              {change.kind === 'changed' && !sameMessage(change.requiredBefore, change.requiredAfter) && (
                <SmallMono>
                  {saying(change.requiredBefore ?? '–')} → {saying(change.requiredAfter ?? '–')}
                </SmallMono>
              )}
            </Box>
            <Cluster>
              {isJudgedAnew(change) && change.verdictBefore && <VerdictMark verdict={change.verdictBefore} />}
              {isJudgedAnew(change) && change.verdictBefore && change.verdictAfter && <Faint>→</Faint>}
              {change.verdictAfter && <VerdictMark verdict={change.verdictAfter} />}
            </Cluster>
          </Row>
        ))}
      </chakra.ul>
      {may && (
        <Cluster mt="20px">
          <Button onClick={() => void adopt()}>Adopt revision {to.sheet.revision}</Button>
          <Button variant="outline" onClick={() => void go(-1)}>
            Leave it at {from.revision}
          </Button>
        </Cluster>
      )}
      <Strong as="h2" mt="26px" mb="4px">
        What the sheet itself says otherwise
      </Strong>
      <Differences before={from} after={to.sheet} />
    </Box>
  )
}

/** The same verdict before and after is told once. */
const isJudgedAnew = ({
  verdictBefore,
  verdictAfter,
}: {
  verdictBefore?: Verdict | undefined
  verdictAfter?: Verdict | undefined
}) => verdictBefore !== verdictAfter
