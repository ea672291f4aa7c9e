import { ArrayMaxSize, ArrayMinSize, IsArray, IsBoolean, IsOptional, IsString, Length } from 'class-validator'
import type { Sheet, UnitKind, Verdict } from '@plumb-mark/core'

/** A revision in the list of the library. */
export interface SheetSummary {
  id: string
  maker: string
  model: string
  revision: string
  kind: UnitKind
  title: string
  date: string
  fingerprint: string
  requirements: number
  /** Why the file cannot be read by this program, where it cannot. */
  problem?: string | undefined
  /** Jobs that are judged by it: from then on it is never changed. */
  usedBy: number
  /** Written here and looked at by nobody else, where the office wants that. */
  notReleased?: boolean
}

/** A sheet that comes with the program. */
export interface SampleSheet {
  id: string
  maker: string
  model: string
  revision: string
  kind: UnitKind
  title: string
  /** In the library, as it came. */
  here: boolean
}

export class SamplesDto {
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(200)
  @IsString({ each: true })
  @Length(1, 200, { each: true })
  ids!: string[]
}

/** A revision with what it says and the file that says so. */
export interface SheetInLibrary {
  sheet: Sheet
  source: string
  fingerprint: string
  usedBy: { id: string; number: string; title: string; sealed: boolean }[]
  /** Who wrote it, and who looked at it after them; undefined for what came with the program. */
  writtenBy?: PersonNamed | undefined
  releasedBy?: PersonNamed | undefined
  /** Another person than its writer must look at it before a job that is judged by it is signed. */
  notReleased?: boolean
}

export interface PersonNamed {
  id: string
  name: string
}

export class SheetFileDto {
  @IsString() @Length(1, 400_000) source!: string
  /** Writes over a revision of the same name that no job uses yet. */
  @IsOptional() @IsBoolean() replace?: boolean
}

/** Signed records of earlier revisions that this one would judge otherwise; they stay as they were signed. */
export interface SignedRecords {
  records: {
    jobId: string
    number: string
    title: string
    /** By which it was signed. */
    revision: string
    checks: { title: string; place: string; clause: string; before: Verdict; after: Verdict }[]
  }[]
  /** How many were looked through, and how many were not. */
  looked: number
  left: number
}
