import { Module } from '@nestjs/common';
import { ChangesService } from './changes.service.ts';

/** How often what is kept of a lifter and of a club has changed. */
@Module({ providers: [ChangesService], exports: [ChangesService] })
export class ChangesModule {}
