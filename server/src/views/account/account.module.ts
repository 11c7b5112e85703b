import { Module } from '@nestjs/common';
import { ClubsModule } from '../../records/clubs/clubs.module.ts';
import { AccountsController } from './accounts.controller.ts';
import { OwnAccountController } from './own-account.controller.ts';

/** Signing in, and one's own account. */
@Module({
  imports: [ClubsModule],
  controllers: [AccountsController, OwnAccountController],
})
export class AccountViewModule {}
