import { Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { TrainingModule } from '../training/training.module.ts';
import { Venue, Bar, BarBrushing, Plate, Handle, Gripper, PinRack, Dynamometer } from './kit.entity.ts';
import { KitRepository } from './kit.repository.ts';
import { KitService } from './kit.service.ts';

/** Venues and what stands there. */
@Module({
  imports: [
    TypeOrmModule.forFeature([Venue, Bar, BarBrushing, Plate, Handle, Gripper, PinRack, Dynamometer]),
    TrainingModule,
  ],
  providers: [KitRepository, KitService],
  exports: [KitService],
})
export class KitModule {}
