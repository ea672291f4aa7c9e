import { IsBoolean, IsIn, IsInt, IsNumber, IsOptional, Max, Min } from 'class-validator'
import {
  BOND_MEANS,
  CABLE_METHODS,
  CABLE_PHASES,
  EARTH_PART_KINDS,
  INSULATIONS,
  PART_KINDS,
  PROPOSALS,
  RESIDUAL_KINDS,
} from '@plumb-mark/core'
import type {
  BondMeans,
  EarthPartKind,
  NetworkConductor,
  PartKind,
  Proposal,
  ResidualKind,
} from '@plumb-mark/core'
import { Filled } from '../http/fields.js'

export class EarthPartFoundDto {
  @Filled(80) id!: string
  @Filled(120) label!: string
  @IsIn(EARTH_PART_KINDS) kind!: EarthPartKind
  @IsOptional() @Filled(80) unitId?: string
  @IsOptional() @IsIn(PROPOSALS) proposed?: Proposal
}

/** Both graphs remove a part alike. */
export class PartRemovedDto {
  @Filled(80) partId!: string
}

export class BondMadeDto {
  @Filled(80) id!: string
  @Filled(80) from!: string
  @Filled(80) to!: string
  @IsIn(BOND_MEANS) means!: BondMeans
  @IsOptional() @IsNumber() @Min(0.1) @Max(1000) size?: number
  @IsOptional() @IsNumber() @Min(0) @Max(1000) length?: number
  @IsOptional() @IsInt() @Min(1) @Max(100) uses?: number
  @IsOptional() @IsNumber() @Min(0.1) @Max(1000) lineSize?: number
  @IsOptional() @IsNumber() @Min(0) @Max(1e6) faultCurrent?: number
  @IsOptional() @IsNumber() @Min(0) @Max(1000) clearingTime?: number
  @IsOptional() @IsIn(PROPOSALS) proposed?: Proposal
}

export class BondRemovedDto {
  @Filled(80) bondId!: string
}

export class PartPlacedDto {
  @Filled(80) id!: string
  @Filled(120) label!: string
  @IsIn(PART_KINDS) kind!: PartKind
  @IsOptional() @Filled(80) unitId?: string
  @IsOptional() @IsNumber() @Min(0) @Max(10000) source?: number
  @IsOptional() @IsNumber() @Min(0) @Max(10000) rating?: number
  @IsOptional() @IsIn(RESIDUAL_KINDS) residual?: ResidualKind
  @IsOptional() @IsBoolean() surge?: boolean
  @IsOptional() @IsBoolean() labelled?: boolean
  @IsOptional() @IsIn(PROPOSALS) proposed?: Proposal
}

export class ConductorRunDto {
  @Filled(80) id!: string
  @Filled(80) from!: string
  @Filled(80) to!: string
  @IsOptional() @IsIn(CABLE_PHASES) phases?: NetworkConductor['phases']
  @IsOptional() @IsNumber() @Min(1) @Max(2000) voltage?: number
  @IsOptional() @IsNumber() @Min(0.1) @Max(1000) size?: number
  @IsOptional() @IsNumber() @Min(0) @Max(10000) length?: number
  @IsOptional() @IsIn(INSULATIONS) insulation?: NetworkConductor['insulation']
  @IsOptional() @IsIn(CABLE_METHODS) method?: NetworkConductor['method']
  @IsOptional() @IsNumber() @Min(-60) @Max(80) ambient?: number
  @IsOptional() @IsInt() @Min(1) @Max(20) grouped?: number
  @IsOptional() @IsIn(PROPOSALS) proposed?: Proposal
}

export class ConductorRemovedDto {
  @Filled(80) conductorId!: string
}
