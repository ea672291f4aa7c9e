import { SetMetadata } from '@nestjs/common'
import type { AuditAction } from '@plumb-mark/contract'

export const AUDITED = 'audited'

/** A route whose success, and whose refusal, stands in the audit list under this name. */
export const Audited = (action: AuditAction) => SetMetadata(AUDITED, action)
