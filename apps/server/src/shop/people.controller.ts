import { Body, Controller, Delete, Get, HttpCode, Param, ParseUUIDPipe, Post, Put } from '@nestjs/common';
import { NewPersonDto, NewPinDto, PersonDto, type ShopPersonView } from '@jubb/contract';
import { AllowedFor, Me } from '../auth/access.ts';
import type { Person } from '../auth/person.entity.ts';
import { PeopleService } from './people.service.ts';

/** Who works here: the owner's to keep. */
@Controller('api/shop/people')
export class PeopleController {
  constructor(private readonly people: PeopleService) {}

  @Get()
  @AllowedFor('owner')
  list(): Promise<ShopPersonView[]> {
    return this.people.list(new Date());
  }

  @Post()
  @AllowedFor('owner')
  add(@Body() body: NewPersonDto, @Me() me: Person): Promise<{ readonly id: string }> {
    return this.people.add(body, me);
  }

  @Put(':id')
  @HttpCode(204)
  @AllowedFor('owner')
  set(@Param('id', ParseUUIDPipe) id: string, @Body() body: PersonDto, @Me() me: Person): Promise<void> {
    return this.people.set(id, body, me);
  }

  @Put(':id/pin')
  @HttpCode(204)
  @AllowedFor('owner')
  newPin(@Param('id', ParseUUIDPipe) id: string, @Body() body: NewPinDto, @Me() me: Person): Promise<void> {
    return this.people.newPin(id, body.pin, me);
  }

  @Post(':id/leave')
  @HttpCode(204)
  @AllowedFor('owner')
  leave(@Param('id', ParseUUIDPipe) id: string, @Me() me: Person): Promise<void> {
    return this.people.leave(id, me, new Date());
  }

  @Post(':id/return')
  @HttpCode(204)
  @AllowedFor('owner')
  comeBack(@Param('id', ParseUUIDPipe) id: string, @Me() me: Person): Promise<void> {
    return this.people.comeBack(id, me);
  }

  @Delete(':id/sessions')
  @HttpCode(204)
  @AllowedFor('owner')
  signOut(@Param('id', ParseUUIDPipe) id: string, @Me() me: Person): Promise<void> {
    return this.people.signOut(id, me);
  }
}
