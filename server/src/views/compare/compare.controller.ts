import { Controller, Get, Param } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { CompareView } from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { CompareService } from './compare.service.ts';

@ApiTags('compare')
@Controller('lifters/:lifter/compare')
export class CompareController {
  constructor(private readonly compare: CompareService) {}

  @LifterMay({ lifter: 'lifter' })
  @Get()
  @ApiOperation({
    summary: 'The lifter against their own history: weeks, sides, grips, and what foretells what',
  })
  view(@Who() who: SignedIn, @Param('lifter', new KnownId('lifter')) lifter: string): Promise<CompareView> {
    return this.compare.view(who.club, lifter);
  }
}
