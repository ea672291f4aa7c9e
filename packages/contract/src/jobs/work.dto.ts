import { IsOptional, IsUUID } from 'class-validator'

/** Under which id somebody wants to hear how far a long work is. */
export class WorkQueryDto {
  @IsOptional() @IsUUID() work?: string
}

/** How far a long work is; `of` is 0 as long as nobody knows. */
export interface WorkProgress {
  done: number
  of: number
  /** How many wait before it; absent once it is begun. */
  before?: number
}
