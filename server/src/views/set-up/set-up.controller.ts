import {
  Body,
  Controller,
  HttpCode,
  Inject,
  Injectable,
  Post,
  Req,
  Res,
  UploadedFile,
  UseGuards,
  type CanActivate,
  type ExecutionContext,
} from '@nestjs/common';
import { ApiHeader, ApiOperation, ApiTags } from '@nestjs/swagger';
import { BringClubRequest, SET_UP_CODE_HEADER, SetUpRequest, type SessionView } from '@iron-clasp/contract';
import type { Request, Response } from 'express';
import { Public } from '../../platform/access/guard.ts';
import type { Config } from '../../platform/config/config.ts';
import { TakesFile, withReceived, type ReceivedFile } from '../../platform/files/received-file.ts';
import { CONFIG } from '../../platform/config/token.ts';
import { SetUpService } from '../../advice/set-up/set-up.service.ts';
import { AccountsService, type Entered } from '../../records/accounts/accounts.service.ts';
import { askingOf, sessionView } from '../account/session-view.ts';
import { giveCookie } from '../account/cookie.ts';

/** Lets nobody send a file who has not the code of the terminal. */
@Injectable()
class ByCode implements CanActivate {
  constructor(private readonly setUp: SetUpService) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<Request>();
    await this.setUp.checkCode(request.get(SET_UP_CODE_HEADER) ?? '', askingOf(request).from);
    return true;
  }
}

@ApiTags('accounts')
@Controller('set-up')
export class SetUpController {
  constructor(
    private readonly setUp: SetUpService,
    private readonly accounts: AccountsService,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  @Public()
  @Post()
  @HttpCode(200)
  @ApiOperation({
    summary: 'Start a club of one’s own with the code that the terminal shows, and sign in as its owner',
  })
  async start(
    @Body() body: SetUpRequest,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const asking = askingOf(request);
    const started = await this.setUp.start(body, asking.from);
    const entered = started
      ? await this.accounts.enter(body.owner.id, asking)
      : await this.accounts.signIn(body.owner, asking);
    return this.entered(entered, response);
  }

  @Public()
  @UseGuards(ByCode)
  @TakesFile('export', ['email', 'password'])
  @Post('export')
  @HttpCode(200)
  @ApiHeader({ name: SET_UP_CODE_HEADER, description: 'The code that the terminal shows' })
  @ApiOperation({
    summary: 'Start from the export of a club, choose a password for one of its owners, and sign in',
  })
  async bring(
    @UploadedFile() file: ReceivedFile | undefined,
    @Body() body: BringClubRequest,
    @Req() request: Request,
    @Res({ passthrough: true }) response: Response,
  ): Promise<SessionView> {
    const owner = await withReceived(file, 'export', (path) => this.setUp.bring(path, body));
    return this.entered(await this.accounts.enter(owner, askingOf(request)), response);
  }

  /** Whoever has just started a club is let in: the account is their own and new. */
  private entered(entered: Entered | null, response: Response): SessionView {
    giveCookie(response, entered!.token, this.config);
    return sessionView(entered!.signedIn);
  }
}
