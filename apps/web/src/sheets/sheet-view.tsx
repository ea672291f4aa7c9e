import { Box, Button, Flex, Grid, Text, chakra } from '@chakra-ui/react'
import { useEffect, useMemo, useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import type { SheetInLibrary, SheetSummary } from '@plumb-mark/contract'
import {
  CLAMP_WORDS,
  STAGES,
  STAGE_TITLES,
  UNIT_KIND_WORDS,
  formatQuantity,
  otherRevisions,
  sheetRequirementWords,
  type Sheet,
} from '@plumb-mark/core'
import { Faint, Lead, Note, SectionTitle, Small, SmallPrint, Strong, ViewTitle } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { Frame } from '../layout/frame.js'
import { get } from '../data/api.js'
import { useResource } from '../data/resource.js'
import { ChoiceField, type Option } from '../ui/choice-field.js'
import { Problem } from '../ui/problem.js'
import { Release } from './release.js'
import { Differences } from './differences.js'
import { SignedRecords } from './signed-records.js'
import { Cluster } from '../ui/cluster.js'

/** One revision, to be read: what it is, what it asks for by stage, who uses it, how it differs from another. */
export function SheetView() {
  const { id } = useParams()
  const go = useNavigate()
  const role = useSession(({ person }) => person?.role)
  const { value: one, problem } = useResource<SheetInLibrary>(`/api/sheets/${id}`)
  const { value: library = [] } = useResource<SheetSummary[]>('/api/sheets')
  if (!one)
    return (
      <Frame title="Sheet">
        <Problem p="24px">{problem}</Problem>
      </Frame>
    )
  const { sheet, usedBy } = one
  const others = otherRevisions(id!, library)
  return (
    <Frame subject={`${sheet.maker} ${sheet.model}, revision ${sheet.revision}`}>
      <Box layerStyle="page" maxW="1080px">
        <Link to="/sheets">All sheets</Link>
        <Cluster alignItems="flex-start" mt="6px">
          <Box flex="1" minW="260px">
            <ViewTitle>
              {sheet.maker} {sheet.model}, revision {sheet.revision}
            </ViewTitle>
            <Lead>{sheet.title}</Lead>
            <Note>
              {sheet.source}, {sheet.date}
            </Note>
          </Box>
          <Cluster>
            <Button variant="outline" asChild>
              <a href={`/api/sheets/${id}/file`} download>
                Export YAML
              </a>
            </Button>
            {sheet.manual && (
              <Button variant="outline" asChild>
                <a href={`/api/sheets/${id}/sheet.zip`} download>
                  Export with manual
                </a>
              </Button>
            )}
            {(role === 'office' || role === 'inspector') && (
              <Button variant="outline" asChild>
                <Link to={`/sheets/from-manual?of=${id}`}>New edition of the manual</Link>
              </Button>
            )}
            {(role === 'office' || role === 'inspector') && (
              <Button onClick={() => void go(`/sheets/${id}/edit`)}>
                {usedBy.length > 0 ? 'New revision' : 'Edit'}
              </Button>
            )}
          </Cluster>
        </Cluster>
        <Release id={id!} one={one} />
        <Grid templateColumns={{ base: '1fr', lg: '1fr 340px' }} gap="32px" mt="18px">
          <Requirements sheet={sheet} />
          <Box>
            <Head sheet={sheet} />
            {others.length > 0 && <Compare sheet={sheet} others={others} />}
            <Strong as="h2" mt="22px" mb="4px">
              Jobs judged by it
            </Strong>
            {usedBy.length === 0 && <Faint>None yet: it may still be changed.</Faint>}
            {usedBy.map((job) => (
              <Text key={job.id}>
                <Link to={`/jobs/${job.id}`}>
                  {job.number} {job.title}
                </Link>
                {job.sealed ? ' (sealed)' : ''}
              </Text>
            ))}
            <Adoption id={id!} others={others} />
            {others.length > 0 && <SignedRecords id={id!} />}
          </Box>
        </Grid>
      </Box>
    </Frame>
  )
}

function Head({ sheet: { kind, mass, size, ratings, terminals, module, equipment } }: { sheet: Sheet }) {
  const rows: [string, string][] = [
    ['kind', UNIT_KIND_WORDS[kind]],
    ...(mass === undefined
      ? []
      : [
          ['mass', `${formatQuantity(mass, 'mass')} (${formatQuantity(mass, 'mass', { unit: 'lb' })})`] as [
            string,
            string,
          ],
        ]),
    ...(size ? [['size', `${size.width} × ${size.height} × ${size.depth} mm`] as [string, string]] : []),
    ...ratings.map(({ name, value }) => [name, value] as [string, string]),
    ...(module
      ? [['open-circuit voltage', `${module.voc} V, ${module.vocTempCoeff} %/K`] as [string, string]]
      : []),
    ...(module?.power ? [['power', `${module.power} W`] as [string, string]] : []),
    ...(equipment?.length ? [['wear', equipment.join(', ')] as [string, string]] : []),
    ...terminals.map(({ label, clamp }) => [`terminal ${label}`, CLAMP_WORDS[clamp]] as [string, string]),
  ]
  return (
    <dl>
      {rows.map(([name, value]) => (
        <Flex layerStyle="ruleBelow" key={name} justify="space-between" gap="14px" py="5px" fontSize="14px">
          <chakra.dt color="faint">{name}</chakra.dt>
          <chakra.dd textAlign="right">{value}</chakra.dd>
        </Flex>
      ))}
    </dl>
  )
}

function Requirements({ sheet }: { sheet: Sheet }) {
  return (
    <Box>
      {STAGES.filter((stage) => sheet.requirements.some((requirement) => requirement.stage === stage)).map(
        (stage) => (
          <Box key={stage} mb="20px">
            <SectionTitle>{STAGE_TITLES[stage]}</SectionTitle>
            {sheet.requirements
              .filter((requirement) => requirement.stage === stage)
              .map((requirement) => (
                <Box layerStyle="ruleAbove" key={requirement.id} py="9px">
                  <Cluster alignItems="baseline">
                    <Strong flex="1" minW="180px">
                      {requirement.title}
                    </Strong>
                    <Text
                      fontSize="13px"
                      color={requirement.severity === 'stop' ? 'danger' : 'faint'}
                      fontWeight={requirement.severity === 'stop' ? 700 : 400}
                    >
                      {requirement.severity}
                    </Text>
                    <SmallPrint fontFamily="mono">clause {requirement.clause}</SmallPrint>
                  </Cluster>
                  <Small>{String(sheetRequirementWords(requirement, sheet))}</Small>
                </Box>
              ))}
          </Box>
        ),
      )}
    </Box>
  )
}

/** The difference to another revision of the same model. */
function Compare({ sheet, others }: { sheet: Sheet; others: readonly SheetSummary[] }) {
  const [otherId, setOtherId] = useState(others[0]!.id)
  const other = useResource<SheetInLibrary>(`/api/sheets/${otherId}`).value?.sheet
  const [before, after] = useMemo(
    () => (other && other.date > sheet.date ? [sheet, other] : [other, sheet]),
    [sheet, other],
  )
  return (
    <Box mt="22px">
      <Strong as="h2" mb="4px">
        What changed
      </Strong>
      <ChoiceField
        label="Beside revision"
        value={otherId}
        options={others.map(({ id, revision, date }): Option => [id, `${revision}, ${date}`])}
        onChange={setOtherId}
      />
      {before && after && (
        <Box mt="8px">
          <SmallPrint>
            from {before.revision} to {after.revision}
          </SmallPrint>
          <Differences before={before} after={after} />
        </Box>
      )}
    </Box>
  )
}

/** Open jobs that are judged by another revision, and could be judged by this one. */
function Adoption({ id, others }: { id: string; others: readonly SheetSummary[] }) {
  const [jobs, setJobs] = useState<{ id: string; number: string; title: string; from: SheetSummary }[]>([])
  useEffect(() => {
    void Promise.all(
      others
        .filter(({ usedBy }) => usedBy > 0)
        .map(async (from) =>
          (await get<SheetInLibrary>(`/api/sheets/${from.id}`)).usedBy
            .filter(({ sealed }) => !sealed)
            .map((job) => ({ ...job, from })),
        ),
    ).then(
      (found) => setJobs(found.flat()),
      () => setJobs([]),
    )
  }, [others])
  if (jobs.length === 0) return null
  return (
    <Box mt="22px">
      <Strong as="h2" mb="4px">
        Open jobs on another revision
      </Strong>
      {jobs.map((job) => (
        <Flex key={job.id} align="center" gap="10px" py="4px">
          <Text flex="1">
            {job.number}, on revision {job.from.revision}
          </Text>
          <Link
            to={`/jobs/${job.id}/adopt/${job.from.id}/${id}`}
            aria-label={`What would change in ${job.number}`}
          >
            What would change
          </Link>
        </Flex>
      ))}
    </Box>
  )
}
