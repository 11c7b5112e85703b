import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { SheetView } from '@iron-clasp/contract';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { SheetService } from './sheet.service.ts';

@ApiTags('sheet')
@Controller('lifters')
export class SheetController {
  constructor(private readonly sheets: SheetService) {}

  @LifterMay({ lifter: 'id' })
  @Get(':id/sheet')
  @ApiOperation({ summary: 'One lifter and the weeks around today' })
  sheet(@Who() who: SignedIn, @Param('id', new KnownId('lifter')) id: string): Promise<SheetView> {
    return this.sheets.view(who.club, id);
  }
}
