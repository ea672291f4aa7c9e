import { IsIn } from 'class-validator'
import { PROPOSED_KINDS, type ProposedKind } from '@plumb-mark/core'
import { Filled, Parts } from '../http/fields.js'

export class ProposedThingDto {
  @IsIn(PROPOSED_KINDS) kind!: ProposedKind
  @Filled(80) id!: string
}

export class ConfirmedDto {
  @Parts(() => ProposedThingDto, { min: 1, max: 5000 }) things!: ProposedThingDto[]
}
