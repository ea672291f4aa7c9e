import { IsIn, IsOptional } from 'class-validator'
import { PageDto } from '../lists/page.dto.js'

/** What stands in the audit list. */
export const AUDIT_ACTIONS = [
  'signed in',
  'signed out',
  'refused',
  'invited',
  'link made',
  'password chosen',
  'person changed',
  'sessions ended',
  'exported',
  'imported',
  'installation accepted',
  'installation removed',
  'record removed',
  'sealed',
  'shared',
  'unshared',
  'archived',
  'networks changed',
  'reports changed',
  'calculators changed',
  'intervals changed',
  'backed up',
  'backup time changed',
  'minutes changed',
  'instrument kept',
  'sheet kept',
  'visit booked',
  'visit cancelled',
  'key accepted',
] as const
export type AuditAction = (typeof AUDIT_ACTIONS)[number]

export class AuditQueryDto extends PageDto {
  @IsOptional() @IsIn(AUDIT_ACTIONS) action?: AuditAction
}

export interface AuditLine {
  n: number
  at: string
  action: AuditAction
  person: string
  subject: string
  detail: string
  address: string
}

export interface AuditPage {
  rows: AuditLine[]
  total: number
}

/** A session of one's own: on what it was opened, when, and whether it is this one. */
export interface OwnSession {
  id: string
  device: string
  openedAt: string
  expiresAt: string
  here: boolean
}
