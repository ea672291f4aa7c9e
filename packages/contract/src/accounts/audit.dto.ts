import { IsIn, IsOptional } from 'class-validator'
import { PageDto } from '../lists/page.dto.js'
import { AUDIT_ACTIONS, type AuditAction } from './audit-actions.js'

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
