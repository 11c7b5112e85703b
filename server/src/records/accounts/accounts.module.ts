import { Global, Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { Identity } from '../../platform/access/signed-in.ts';
import { ClubsModule } from '../clubs/clubs.module.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { Account, SignIn } from './account.entity.ts';
import { AccountsRepository } from './accounts.repository.ts';
import { AccountsService } from './accounts.service.ts';

/** Accounts, sign-ins, and who is signed in. */
@Global()
@Module({
  imports: [TypeOrmModule.forFeature([Account, SignIn]), ClubsModule, LiftersModule],
  providers: [AccountsRepository, AccountsService, { provide: Identity, useExisting: AccountsService }],
  exports: [AccountsService, Identity],
})
export class AccountsModule {}
