import { chakra } from '@chakra-ui/react'
import type { ComponentType } from 'react'
import { Navigate, NavLink, useParams } from 'react-router'
import { useSession } from '../data/session.js'
import { Page } from '../layout/page.js'
import { AuditList } from './audit-list.js'
import { Backups } from './backups.js'
import { Intervals } from './intervals.js'
import { FourEyes } from './four-eyes.js'
import { Installations } from './installations.js'
import { Networks } from './networks.js'
import { Reports } from './report-look.js'
import { OpenCalculators } from './open-calculators.js'
import { People } from './people.js'
import { Cluster } from '../ui/cluster.js'

const PARTS: Record<string, { title: string; View: ComponentType }> = {
  people: { title: 'People', View: People },
  backups: { title: 'Backups', View: Backups },
  audit: { title: 'Audit', View: AuditList },
  installations: { title: 'Installations', View: Installations },
  networks: { title: 'Networks', View: Networks },
  reports: { title: 'Reports', View: Reports },
  intervals: { title: 'Intervals', View: Intervals },
  sheets: { title: 'Sheets', View: FourEyes },
  calculators: { title: 'Calculators', View: OpenCalculators },
}

const Part = chakra(NavLink, {
  base: {
    minH: '44px',
    px: '14px',
    display: 'inline-flex',
    alignItems: 'center',
    fontWeight: 600,
    color: 'faint',
    borderRadius: '4px',
    '&.active': { color: 'text', bg: 'sunk' },
  },
})

/** What the office sees to for everybody: people, backups, what happened, and where devices may be asked. */
export function OfficeView() {
  const { part = 'people' } = useParams()
  const office = useSession(({ person }) => person?.role === 'office')
  const shown = PARTS[part]
  if (!office || !shown) return <Navigate to={office ? '/office' : '/jobs'} replace />
  return (
    <Page title="Office" width="1040px">
      <Cluster as="nav" aria-label="Parts of the office" gap="4px" mt="10px">
        {Object.entries(PARTS).map(([name, { title }]) => (
          <Part key={name} to={`/office/${name}`} className={name === part ? 'active' : ''}>
            {title}
          </Part>
        ))}
      </Cluster>
      <shown.View />
    </Page>
  )
}
