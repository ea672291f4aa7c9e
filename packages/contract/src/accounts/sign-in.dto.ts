import { IsBoolean, IsEmail, IsIn, IsOptional, IsString, Length } from 'class-validator'
import { ROLES, type Person, type Role } from '@plumb-mark/core'
import { Filled, Parts } from '../http/fields.js'
import { IsGoodPassword } from './good-password.js'

export class SignInDto {
  @IsEmail({}, { message: 'must be an e-mail address' })
  email!: string

  @IsString()
  @Length(1, 200, { message: 'must not be empty' })
  password!: string
}

/** The first account of an installation that has none: it belongs to the office. */
export class FirstAccountDto {
  @Filled(120, { message: 'say your name' }) name!: string
  @IsEmail({}, { message: 'must be an e-mail address' }) email!: string
  @IsGoodPassword() password!: string
  /** That the program printed where it was started. */
  @Filled(80, { message: 'type the word that the program printed where it was started' }) word!: string
}

/** Somebody whom the office lets in. */
export class PersonAddedDto {
  @Filled(120, { message: 'say the name' }) name!: string
  @IsEmail({}, { message: 'must be an e-mail address' }) email!: string
  @IsIn(ROLES) role!: Role
  @IsOptional() @IsString() @Length(0, 80) licence?: string
}

/** Of a file. */
export class PeopleDto {
  @Parts(() => PersonAddedDto, { min: 1, max: 500 }) people!: PersonAddedDto[]
}

export class PersonChangedDto {
  @IsOptional() @Filled(120) name?: string
  @IsOptional() @IsEmail({}, { message: 'must be an e-mail address' }) email?: string
  @IsOptional() @IsIn(ROLES) role?: Role
  @IsOptional() @IsString() @Length(0, 80) licence?: string
  @IsOptional() @IsBoolean() disabled?: boolean
}

/** A one-time link that somebody opened. */
export class InvitationDto {
  @Filled(200) token!: string
}

/** For whom it is. */
export interface Invited {
  name: string
  email: string
}

/** A password chosen by a one-time link. */
export class WelcomeDto {
  @Filled(200) token!: string
  @IsGoodPassword() password!: string
}

export class PasswordDto {
  @IsString() @Length(1, 200, { message: 'type the password that you have' }) before!: string
  @IsGoodPassword() password!: string
}

/** A person as the office sees them. */
export interface PersonKept extends Person {
  email: string
  licence?: string
  disabledAt?: string
  /** Has not chosen a password yet. */
  invited: boolean
}

/** Shown once, to be copied or printed: the program sends no mail. */
export interface OneTimeLink {
  token: string
  expiresAt: string
}

/** An invented person of the demo data, and what they sign in with. */
export interface DemoAccount {
  name: string
  role: Role
  email: string
  password: string
}
