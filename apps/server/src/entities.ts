import { InvitationRow, PersonRow, SessionRow } from './accounts/account.entities.js'
import { AuditRow } from './audit/audit.entity.js'
import { EntryRow } from './entries/entry.entity.js'
import { PhotoRow } from './evidence/photo.entity.js'
import { InstallationRow } from './installations/installation.entity.js'
import { InstrumentRow } from './instruments/instrument.entity.js'
import { JobPersonRow, JobRow, JobSheetRow } from './entries/job.entities.js'
import { SavedFilterRow } from './lists/saved-filter.entity.js'
import { FigureRow } from './figures/figure.entity.js'
import { RecordRow } from './records/record.entity.js'
import { SheetRow } from './sheets/sheet.entity.js'
import { SealRow } from './seals/seal.entity.js'
import { TraceRow } from './traces/trace.entity.js'
import { VisitPersonRow, VisitRow } from './visits/visit.entities.js'

/** Every table of the database, each kept by the part of the job that it belongs to. */
export const ENTITIES = [
  PersonRow,
  SessionRow,
  InvitationRow,
  AuditRow,
  JobRow,
  JobPersonRow,
  JobSheetRow,
  SavedFilterRow,
  EntryRow,
  SheetRow,
  InstrumentRow,
  PhotoRow,
  VisitRow,
  VisitPersonRow,
  FigureRow,
  SealRow,
  TraceRow,
  InstallationRow,
  RecordRow,
]
