import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { BackTestView, CurveMonthsView, CurveView } from '@iron-clasp/contract';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { CurveViewService } from './curve.service.ts';

@ApiTags('curve')
@Controller('lifters/:lifter/curve')
export class CurveController {
  constructor(private readonly curve: CurveViewService) {}

  @LifterMay({ lifter: 'lifter' })
  @Get()
  @ApiOperation({ summary: 'The lifter’s clasp curve, the points behind it, and what the next session asks' })
  view(@Who() who: SignedIn, @Param('lifter', new KnownId('lifter')) lifter: string): Promise<CurveView> {
    return this.curve.view(who.club, lifter);
  }

  @LifterMay({ lifter: 'lifter' })
  @Get('months')
  @ApiOperation({ summary: 'How the lifter’s clasp curve moved over half a year' })
  months(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
  ): Promise<CurveMonthsView> {
    return this.curve.months(who.club, lifter);
  }

  @LifterMay({ lifter: 'lifter' })
  @Get('back-test')
  @ApiOperation({ summary: 'What the curve said of past weeks beforehand, against what happened' })
  backTest(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
  ): Promise<BackTestView> {
    return this.curve.backTest(who.club, lifter);
  }
}
