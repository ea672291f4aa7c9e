import { IsEmail, IsString, Length } from 'class-validator'

export class SignInDto {
  @IsEmail({}, { message: 'must be an e-mail address' })
  email!: string

  @IsString()
  @Length(1, 200, { message: 'must not be empty' })
  password!: string
}
