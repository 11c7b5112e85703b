import { Module } from '@nestjs/common';
import { BackupsModule } from '../../records/backups/backups.module.ts';
import { BackupsController } from './backups.controller.ts';

/** The owner's page of backups. */
@Module({ imports: [BackupsModule], controllers: [BackupsController] })
export class BackupsViewModule {}
