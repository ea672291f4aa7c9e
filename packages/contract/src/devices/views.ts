import {
  ArrayMaxSize,
  ArrayMinSize,
  ArrayUnique,
  IsArray,
  IsInt,
  IsString,
  Matches,
  Max,
  Min,
} from 'class-validator'
import { Type } from 'class-transformer'
import type { DeviceNamed, PointRead } from '@plumb-mark/core'

const V4 = /^\d{1,3}(\.\d{1,3}){3}$/
const SAID = { message: 'must be an IPv4 address in figures, as in 192.168.1.20' }

/** Where somebody believes a device to be. */
export class DeviceAtDto {
  @Matches(V4, SAID) host!: string
  @IsInt() @Min(1) @Max(65535) port!: number
  @IsInt() @Min(0) @Max(255) address!: number
}

/** A small range to look for devices in. */
export class ScanDto {
  @Matches(V4, SAID) from!: string
  @Matches(V4, SAID) to!: string
  @Type(() => Number) @IsInt() @Min(1) @Max(65535) fromPort!: number
  @Type(() => Number) @IsInt() @Min(1) @Max(65535) toPort!: number
  @Type(() => Number) @IsInt() @Min(0) @Max(255) address!: number
}

/** The networks in which devices may be asked, as in 192.168.1.0/24. */
export class NetworksDto {
  @IsArray()
  @ArrayMinSize(0)
  @ArrayMaxSize(50)
  @ArrayUnique()
  @IsString({ each: true })
  networks!: string[]
}

/** A device as it answers for itself. */
export type DeviceFound = Omit<DeviceNamed, 'id'>

export type ScanStep =
  { asked: number; of: number; found?: DeviceFound } | { done: true; asked: number; of: number }

/** One device of a job, as it stands this second. */
export interface LiveDevice {
  /** Of the connection. */
  id: string
  unitId: string
  state: 'connecting' | 'connected' | 'lost' | 'waiting'
  /** Since when it is so, ISO 8601. */
  since: string
  /** What was wrong with the last question, in words. */
  problem?: string
  device?: DeviceNamed
  /** When it was read last, ISO 8601, and what it held, by the keys of the points. */
  at?: string
  points: Record<string, PointRead>
}

export interface LiveDevices {
  at: string
  devices: LiveDevice[]
}

export interface TraceKept {
  id: string
  sha256: string
  samples: number
  bytes: number
}
