import {
  Injectable,
  SetMetadata,
  type CallHandler,
  type ExecutionContext,
  type NestInterceptor,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { mergeMap, type Observable } from 'rxjs';
import { Clock } from '../clock/clock.ts';
import { ruleOf, SAFE, type SignedInRequest } from './guard.ts';
import { Owners } from './owners.ts';

/** One change, as it goes on record. */
export interface Deed {
  readonly clubId: string;
  readonly accountId: string;
  readonly at: Date;
  /** What the route does, in the words of the API's reference. */
  readonly what: string;
  /** The lifter it was about; null where it was about none. */
  readonly lifterId: string | null;
}

/** Keeps who did what; the module of the records provides it. */
export abstract class Deeds {
  abstract keep(deed: Deed): Promise<void>;
}

const UNRECORDED = 'unrecorded';
/** A change that stores nothing, or only of one's own account. */
export const Unrecorded = (): ReturnType<typeof SetMetadata> => SetMetadata(UNRECORDED, true);

/** Where `@ApiOperation` keeps what a route does. */
const OPERATION = 'swagger/apiOperation';

/** Puts every change that was answered well on record: who, when, what, about whom. One mechanism for all routes. */
@Injectable()
export class RecordDeeds implements NestInterceptor {
  constructor(
    private readonly reflector: Reflector,
    private readonly deeds: Deeds,
    private readonly owners: Owners,
    private readonly clock: Clock,
  ) {}

  async intercept(context: ExecutionContext, next: CallHandler): Promise<Observable<unknown>> {
    const request = context.switchToHttp().getRequest<SignedInRequest>();
    const targets = [context.getHandler(), context.getClass()];
    const { signedIn } = request;
    const passes =
      SAFE.has(request.method) || this.reflector.getAllAndOverride<boolean | undefined>(UNRECORDED, targets);
    if (passes || !signedIn) return next.handle();
    // Looked up before: afterwards the thing may be gone.
    const lifterId = await this.lifterOf(context, request);
    const summary = this.reflector.get<{ readonly summary?: string } | undefined>(
      OPERATION,
      context.getHandler(),
    )?.summary;
    const done = (summary ?? request.method).split(';')[0]!;
    const what = signedIn.client === undefined ? done : `${done} (by the client “${signedIn.client}”)`;
    return next.handle().pipe(
      mergeMap(async (answer: unknown) => {
        await this.deeds.keep({
          ...{
            clubId: signedIn.club.id,
            accountId: signedIn.account.id,
            at: this.clock.now(),
            what,
            lifterId,
          },
        });
        return answer;
      }),
    );
  }

  private async lifterOf(context: ExecutionContext, request: SignedInRequest): Promise<string | null> {
    const targets = [context.getHandler(), context.getClass()];
    const { own } = ruleOf(this.reflector, targets, request.method);
    const path = String((request.route as { readonly path?: string } | undefined)?.path ?? '');
    const named = Object.entries(own ?? {})[0] ?? thingIn(path);
    return named ? this.owners.ownerOf(named[0], String(request.params[named[1]])) : null;
  }
}

/** What an address is about: `/lifters/:id/...` a lifter, `/sessions/:session/...` a session. */
function thingIn(path: string): readonly [thing: string, param: string] | undefined {
  const found = /^\/api\/(lifters|sessions)\/:(\w+)/.exec(path);
  return found ? [found[1]!.slice(0, -1), found[2]!] : undefined;
}
