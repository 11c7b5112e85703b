import { Global, Module } from '@nestjs/common';
import { TypeOrmModule } from '@nestjs/typeorm';
import { Identity } from '../../platform/access/signed-in.ts';
import { ClubsModule } from '../clubs/clubs.module.ts';
import { LiftersModule } from '../lifters/lifters.module.ts';
import { Account, PasswordLink, SignIn } from './account.entity.ts';
import { AccountsRepository } from './accounts.repository.ts';
import { AccountsService } from './accounts.service.ts';
import { OwnAccountService } from './own-account.service.ts';
import { PeopleService } from './people.service.ts';

/** Accounts, sign-ins, the people of a club, and who is signed in. */
@Global()
@Module({
  imports: [TypeOrmModule.forFeature([Account, PasswordLink, SignIn]), ClubsModule, LiftersModule],
  providers: [
    AccountsRepository,
    AccountsService,
    OwnAccountService,
    PeopleService,
    { provide: Identity, useExisting: AccountsService },
  ],
  exports: [AccountsService, OwnAccountService, PeopleService, Identity],
})
export class AccountsModule {}
