import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { CurveMonthsView } from '@iron-clasp/contract';
import type { SignedIn } from '../accounts/accounts.repository.ts';
import { LifterMay, Who } from '../accounts/guard.ts';
import { KnownId } from '../http/validation.ts';
import { CurveMonthsService } from './curve-months.service.ts';

@ApiTags('curve')
@Controller('lifters/:lifter/curve')
export class CurvesController {
  constructor(private readonly months: CurveMonthsService) {}

  @LifterMay({ lifter: 'lifter' })
  @Get('months')
  @ApiOperation({ summary: 'How the lifter’s clasp curve moved over half a year' })
  over(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
  ): Promise<CurveMonthsView> {
    return this.months.view(who.club.id, lifter);
  }
}
