import { Body, Controller, Get, HttpCode, Param, ParseUUIDPipe, Post, Put } from '@nestjs/common'
import {
  FirstAccountDto,
  InvitationDto,
  PasswordDto,
  PeopleDto,
  PersonAddedDto,
  PersonChangedDto,
  WelcomeDto,
  type Invited,
  type OneTimeLink,
  type PersonKept,
} from '@plumb-mark/contract'
import type { Person } from '@plumb-mark/core'
import { Audited } from '../audit/audited.js'
import { DtoPipe } from '../http/dto.pipe.js'
import { Anyone, By, MayCall } from '../http/access.js'
import { PeopleService } from './people.service.js'

@Controller('api')
export class PeopleController {
  constructor(private readonly people: PeopleService) {}

  @Anyone()
  @Get('first-account')
  async open(): Promise<{ open: boolean }> {
    return { open: await this.people.isEmpty() }
  }

  @Anyone()
  @HttpCode(204)
  @Audited('invited')
  @Post('first-account')
  first(@Body(new DtoPipe(FirstAccountDto)) wish: FirstAccountDto): Promise<void> {
    return this.people.first(wish)
  }

  /** For whom a one-time link is; one that was used says so before anybody chooses a password. */
  @Anyone()
  @HttpCode(200)
  @Post('welcome/look')
  invited(@Body(new DtoPipe(InvitationDto)) { token }: InvitationDto): Promise<Invited> {
    return this.people.invited(token)
  }

  @Anyone()
  @HttpCode(204)
  @Audited('password chosen')
  @Post('welcome')
  welcome(@Body(new DtoPipe(WelcomeDto)) wish: WelcomeDto): Promise<void> {
    return this.people.welcome(wish)
  }

  @MayCall('inspector', 'installer', 'reviewer', 'office')
  @HttpCode(204)
  @Audited('password chosen')
  @Put('session/password')
  password(@By() person: Person, @Body(new DtoPipe(PasswordDto)) wish: PasswordDto): Promise<void> {
    return this.people.changePassword(person, wish)
  }

  @MayCall('office')
  @Get('office/people')
  list(): Promise<PersonKept[]> {
    return this.people.list()
  }

  @MayCall('office')
  @Audited('invited')
  @Post('office/people')
  add(
    @Body(new DtoPipe(PersonAddedDto)) wish: PersonAddedDto,
  ): Promise<{ person: PersonKept; link: OneTimeLink }> {
    return this.people.add(wish)
  }

  /** A file of people: all of them are let in, or nobody is. Each chooses a password by a link of their own. */
  @MayCall('office')
  @Audited('invited')
  @HttpCode(204)
  @Post('office/people/import')
  import(@Body(new DtoPipe(PeopleDto)) { people }: PeopleDto): Promise<void> {
    return this.people.addAll(people)
  }

  @MayCall('office')
  @Audited('person changed')
  @Put('office/people/:id')
  change(
    @By() by: Person,
    @Param('id', ParseUUIDPipe) id: string,
    @Body(new DtoPipe(PersonChangedDto)) wish: PersonChangedDto,
  ): Promise<PersonKept> {
    return this.people.change(by, id, wish)
  }

  @MayCall('office')
  @Audited('link made')
  @Post('office/people/:id/link')
  link(@Param('id', ParseUUIDPipe) id: string): Promise<OneTimeLink> {
    return this.people.link(id)
  }
}
