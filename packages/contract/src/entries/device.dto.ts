import { IsBoolean, IsInt, IsOptional, IsString, IsUUID, Length, Matches, Max, Min } from 'class-validator'
import { Filled, Part, Parts } from '../http/fields.js'
import { AccuracyDto } from './parts.dto.js'

const V4 = /^\d{1,3}(\.\d{1,3}){3}$/

export class DeviceConnectedDto {
  @IsUUID() id!: string
  @Filled(80) unitId!: string
  @Matches(V4, { message: 'must be an IPv4 address in figures, as in 192.168.1.20' }) host!: string
  @IsInt() @Min(1) @Max(65535) port!: number
  @IsInt() @Min(0) @Max(255) address!: number
}

export class DeviceDisconnectedDto {
  @IsUUID() id!: string
}

class DeviceNamedDto {
  @IsUUID() id!: string
  @Matches(V4) host!: string
  @IsInt() @Min(1) @Max(65535) port!: number
  @IsInt() @Min(0) @Max(255) unitId!: number
  @IsString() @Length(0, 64) maker!: string
  @IsString() @Length(0, 64) model!: string
  @IsString() @Length(0, 64) serial!: string
  @IsString() @Length(0, 64) firmware!: string
  @IsBoolean() simulated!: boolean
}

class PointReadDto {
  @Filled(80) part!: string
  @Filled(80) point!: string
  @IsInt() @Min(0) @Max(65535) register!: number
  @IsString() @Length(0, 80) raw!: string
  @IsInt() @Min(-10) @Max(10) exponent!: number
  @Filled(40) at!: string
}

/** What of an answer a device said, with where it was read. */
export class DeviceWordDto {
  @Part(() => DeviceNamedDto) device!: DeviceNamedDto
  @Parts(() => PointReadDto, { min: 1, max: 200 }) points!: PointReadDto[]
  @IsOptional() @Parts(() => AccuracyDto, { max: 30 }) figures?: AccuracyDto[]
}
