import { Controller, Get, Sse } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import type { ClubCurvesEvent, ClubView } from '@iron-clasp/contract';
import type { Observable } from 'rxjs';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { Who } from '../../platform/access/guard.ts';
import { ClubService } from './club.service.ts';

@ApiTags('club')
@Controller('club')
export class ClubController {
  constructor(private readonly club: ClubService) {}

  @Get('attention')
  @ApiOperation({ summary: 'Who needs attention and why, over all lifters' })
  attention(@Who() who: SignedIn): Promise<ClubView> {
    return this.club.view(who.club);
  }

  @Sse('curves')
  @ApiOperation({ summary: 'Fits every lifter’s curve over all weeks, telling each as it is done' })
  curves(@Who() who: SignedIn): Observable<{ data: ClubCurvesEvent }> {
    return this.club.allCurves(who.club);
  }
}
