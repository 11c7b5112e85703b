import { Body, Controller, Delete, Get, HttpCode, Param, Put } from '@nestjs/common';
import { ApiOperation, ApiTags } from '@nestjs/swagger';
import { GripperAttemptRequest, type GrippersView } from '@iron-clasp/contract';
import type { SignedIn } from '../../platform/access/signed-in.ts';
import { LifterMay, Who } from '../../platform/access/guard.ts';
import { KnownId } from '../../platform/http/validation.ts';
import { GrippersService } from '../../advice/grippers/grippers.service.ts';

@ApiTags('grippers')
@Controller()
export class GrippersController {
  constructor(private readonly grippers: GrippersService) {}

  @LifterMay({ lifter: 'lifter' })
  @Get('lifters/:lifter/grippers')
  @ApiOperation({ summary: 'The club’s ladder for this lifter: chances, the next session, progress' })
  view(@Who() who: SignedIn, @Param('lifter', new KnownId('lifter')) lifter: string): Promise<GrippersView> {
    return this.grippers.view(who.club, lifter);
  }

  @LifterMay({ lifter: 'lifter' })
  @Put('lifters/:lifter/gripper-attempts/:id')
  @ApiOperation({ summary: 'Keep an attempt; under a client-made id; answers with the ladder anew' })
  async keep(
    @Who() who: SignedIn,
    @Param('lifter', new KnownId('lifter')) lifter: string,
    @Param('id', new KnownId('attempt')) id: string,
    @Body() body: GripperAttemptRequest,
  ): Promise<GrippersView> {
    await this.grippers.keep(who.club, who.account.id, lifter, id, body);
    return this.grippers.view(who.club, lifter);
  }

  @LifterMay({ attempt: 'id' })
  @Delete('gripper-attempts/:id')
  @HttpCode(204)
  @ApiOperation({ summary: 'Undo an attempt; it is hidden, not lost' })
  undo(@Who() who: SignedIn, @Param('id', new KnownId('attempt')) id: string): Promise<void> {
    return this.grippers.undo(who.club, id);
  }
}
