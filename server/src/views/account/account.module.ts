import { Module } from '@nestjs/common';
import { AccountsController } from './accounts.controller.ts';

/** Signing in. */
@Module({
  controllers: [AccountsController],
})
export class AccountViewModule {}
