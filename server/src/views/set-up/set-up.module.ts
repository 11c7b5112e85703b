import { Module } from '@nestjs/common';
import { SetUpModule } from '../../advice/set-up/set-up.module.ts';
import { SetUpController } from './set-up.controller.ts';

/** The page that starts a club. */
@Module({
  imports: [SetUpModule],
  controllers: [SetUpController],
})
export class SetUpViewModule {}
