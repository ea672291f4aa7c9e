import { Box, Button, Text, chakra } from '@chakra-ui/react'
import { Plus, Printer } from 'lucide-react'
import { useMemo, useState, type ReactNode } from 'react'
import { Link, useParams } from 'react-router'
import {
  UNIT_KIND_WORDS,
  expectedDuration,
  kitFor,
  newerRevision,
  sheetName,
  type MinutesByKind,
} from '@plumb-mark/core'
import { Faint, Lead, Note, SectionTitle, Strong, ViewTitle } from '../ui/theme/text.js'
import { useSession } from '../data/session.js'
import { useWritable } from '../job/use-writable.js'
import { useResource } from '../data/resource.js'
import { useInspection } from '../job/inspection.js'
import { durationWords } from '../visits/when.js'
import { DurationPart } from './duration-part.js'
import { KitPart } from './kit-part.js'
import { OrderPart } from './order-part.js'
import { RulesForm } from './rules-form.js'
import { ScopePart } from './scope-part.js'
import { SharePart } from './share-part.js'
import { UnitForm, useLibrary } from '../stages/identify/unit-form.js'
import { VisitsPart, useVisits } from './visits-part.js'
import { Cluster } from '../ui/cluster.js'

const NONE: MinutesByKind = {}

/** Everything to settle before the drive: units and sheets, rules, kit, conditions, time, visits. */
export function PreparationView() {
  const inspection = useInspection((state) => state.inspection)
  const instruments = useInspection((state) => state.instruments)
  const append = useInspection((state) => state.append)
  const person = useSession((session) => session.person)
  const writable = useWritable()
  const { jobId } = useParams()
  const visits = useVisits(jobId!)
  const office = useResource<MinutesByKind>('/api/office/minutes')
  const [adjusted, setMinutes] = useState<MinutesByKind>()
  const minutes = adjusted ?? office.value ?? NONE
  // The day on which the view was opened: calibrations are held against the next visit, or against today.
  const [now] = useState(() => new Date().toISOString())
  const day = visits.visits?.find(({ end }) => end > now)?.start ?? now
  const kit = useMemo(
    () =>
      inspection &&
      kitFor(inspection.checks, inspection.state.asBuilt, inspection.context.sheetOf, instruments, day),
    [inspection, instruments, day],
  )
  const duration = useMemo(
    () => inspection && expectedDuration(inspection.checks, minutes),
    [inspection, minutes],
  )
  if (!inspection || !kit || !duration) return null
  const { header } = inspection.state
  return (
    <Box layerStyle="page" maxW="1120px">
      <Cluster alignItems="baseline">
        <ViewTitle flex="1">Before the drive</ViewTitle>
        <Button variant="outline" onClick={() => window.print()} _print={{ display: 'none' }}>
          <Printer size={18} /> Kit list
        </Button>
      </Cluster>
      <Lead mt="2px">
        {header?.number} · {header?.site}; {inspection.checks.length} checks, about{' '}
        <b>{durationWords(duration.minutes)}</b>
        {kit.lifts.some(({ people }) => people > 1) ? '; a lift that needs more than one person' : ''}
      </Lead>
      <KitPart kit={kit} day={day} />
      <Box _print={{ display: 'none' }}>
        <Part title="Visits">
          <VisitsPart jobId={jobId!} minutes={duration.minutes} writable={writable} {...visits} />
        </Part>
        <Part title="How long it should take">
          <DurationPart duration={duration} minutes={minutes} onMinutes={setMinutes} />
        </Part>
        <Part title="In which order">
          <OrderPart inspection={inspection} minutes={minutes} />
        </Part>
        <Part title="Units and sheets">
          <UnitsPart writable={writable} />
        </Part>
        <Part title="Rules that this job follows">
          {header && (
            <RulesForm
              rules={header}
              disabled={!writable}
              onChange={(part) => person && append(person, { kind: 'job-amended', body: part })}
            />
          )}
        </Part>
        <Part title="Scope">
          <ScopePart
            key={JSON.stringify(header?.scope)}
            scope={header?.scope}
            disabled={!writable}
            onChange={(scope) => person && append(person, { kind: 'job-amended', body: { scope } })}
          />
        </Part>
        <Part title="People">
          <SharePart writable={writable} />
        </Part>
      </Box>
    </Box>
  )
}

export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <chakra.section mt="28px">
      <SectionTitle mb="8px">{title}</SectionTitle>
      {children}
    </chakra.section>
  )
}

function UnitsPart({ writable }: { writable: boolean }) {
  const { jobId } = useParams()
  const inspection = useInspection((state) => state.inspection)!
  const library = useLibrary()
  const [editing, setEditing] = useState<string>()
  const { units } = inspection.state.asBuilt
  return (
    <Box>
      {units.length === 0 && (
        <Faint>No unit is entered yet: the checks follow from the units and their sheets.</Faint>
      )}
      {units.map((unit) => {
        const sheet = inspection.sheets.get(unit.sheetId)
        const newer = newerRevision(unit.sheetId, library)
        return (
          <Box layerStyle="ruleAbove" key={unit.id} py="8px">
            <Cluster gap="14px">
              <Strong minW="130px">{unit.label}</Strong>
              <Text flex="1" minW="200px">
                {sheet ? `${sheetName(sheet)}, ${UNIT_KIND_WORDS[sheet.kind]}` : unit.sheetId}
                {unit.serial ? <chakra.span fontFamily="mono"> {unit.serial}</chakra.span> : ''}
              </Text>
              <Note>
                {[
                  unit.situation?.placed,
                  inspection.checks.filter(({ check }) => check.unit.id === unit.id).length + ' checks',
                ]
                  .filter(Boolean)
                  .join(', ')}
              </Note>
              {newer && (
                <Link to={`/jobs/${jobId}/adopt/${unit.sheetId}/${newer.id}`}>
                  <Text color="unproven" fontWeight={600}>
                    Revision {newer.revision} is out: what would change
                  </Text>
                </Link>
              )}
              {writable && (
                <Button variant="plain" onClick={() => setEditing(editing === unit.id ? undefined : unit.id)}>
                  Change
                </Button>
              )}
            </Cluster>
            {editing === unit.id && <UnitForm unit={unit} onDone={() => setEditing(undefined)} />}
          </Box>
        )
      })}
      {writable &&
        (editing === 'new' ? (
          <UnitForm unit={undefined} onDone={() => setEditing(undefined)} />
        ) : (
          <Button variant="outline" mt="10px" onClick={() => setEditing('new')}>
            <Plus size={17} /> Unit
          </Button>
        ))}
    </Box>
  )
}
