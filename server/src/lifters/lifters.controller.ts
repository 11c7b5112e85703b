import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { RackView, SheetView } from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { Who } from '../accounts/guard.ts';
import { KnownId } from '../http/validation.ts';
import { LiftersService } from './lifters.service.ts';

@ApiTags('lifters')
@Controller('lifters')
export class LiftersController {
  constructor(private readonly lifters: LiftersService) {}

  @Get()
  @ApiOperation({ summary: 'The rack: the club’s lifters by who needs attention' })
  rack(@Who() who: SignedIn): Promise<RackView> {
    return this.lifters.rack(who.club.id);
  }

  @Get(':id/sheet')
  @ApiOperation({ summary: 'One lifter and the weeks around today' })
  sheet(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<SheetView> {
    return this.lifters.sheet(who.club.id, id);
  }
}
