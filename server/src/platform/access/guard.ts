import { timingSafeEqual } from 'node:crypto';
import {
  applyDecorators,
  Inject,
  Injectable,
  SetMetadata,
  createParamDecorator,
  type CanActivate,
  type ExecutionContext,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import { LOGGING_ROLES, PLANNING_ROLES, ROLES, STAFF_ROLES, type Role } from '@iron-clasp/contract';
import type { Request } from 'express';
import type { Config } from '../config/config.ts';
import { CONFIG } from '../config/token.ts';
import { notFound, Problem } from '../http/problem.ts';
import { Owners } from './owners.ts';
import type { SignedIn } from './signed-in.ts';
import { WhoAsks } from './who-asks.ts';

export const CHANGE_HEADER = 'x-iron-clasp-token';

const PUBLIC = 'public';
const FOR = 'roles';
const OWN = 'own';
const PERSONAL = 'personal';

/** Opens a route to the world. Without it a route wants somebody who is signed in. */
export const Public = (): ReturnType<typeof SetMetadata> => SetMetadata(PUBLIC, true);

const allow = (roles: readonly Role[]): ReturnType<typeof SetMetadata> => SetMetadata(FOR, roles);
/** For everybody who is signed in: their own account, and nothing else. No API client gets there. */
export const Everybody = (): ReturnType<typeof applyDecorators> =>
  applyDecorators(allow(ROLES), SetMetadata(PERSONAL, true));
/** For owners: people, settings and safekeeping of the club. */
export const OwnersOnly = (): ReturnType<typeof SetMetadata> => allow(['owner']);
/** For those who program and decide, where a read is not for everybody of the staff. */
export const PlannersOnly = (): ReturnType<typeof SetMetadata> => allow(PLANNING_ROLES);
/** For those who run the floor: a write that changes no program. */
export const Logging = (): ReturnType<typeof SetMetadata> => allow(LOGGING_ROLES);
/** A question that has to be sent as a body; it changes nothing. */
export const Asking = (): ReturnType<typeof SetMetadata> => allow(STAFF_ROLES);

/** What in an address must be the signed-in lifter's own, and the parameter that names it. */
export type OwnThing = Readonly<
  Partial<Record<'lifter' | 'session' | 'set' | 'hold' | 'test' | 'attempt', string>>
>;

/** Opens a route to a lifter for what is their own, beside those who read, or log, for the whole club. */
export const LifterMay = (own: OwnThing): ReturnType<typeof applyDecorators> =>
  applyDecorators(SetMetadata(OWN, own));

/** What a route says of who may come. */
export interface Rule {
  readonly public: boolean;
  readonly roles: readonly Role[];
  readonly own: OwnThing | undefined;
  /** About one's own account. */
  readonly personal: boolean;
}

/**
 * Who a route is for: what it says, else every one of the staff for a read and those who program for a change. A route of a
 * lifter's own is also theirs; where it writes it is one of the log.
 */
export function ruleOf(
  reflector: Reflector,
  targets: Parameters<Reflector['getAllAndOverride']>[1],
  method: string,
): Rule {
  const own = reflector.getAllAndOverride<OwnThing | undefined>(OWN, targets);
  const safe = SAFE.has(method);
  const usual: readonly Role[] = own
    ? [...(safe ? STAFF_ROLES : LOGGING_ROLES), 'lifter']
    : safe
      ? STAFF_ROLES
      : PLANNING_ROLES;
  return {
    public: reflector.getAllAndOverride<boolean | undefined>(PUBLIC, targets) ?? false,
    roles: reflector.getAllAndOverride<readonly Role[] | undefined>(FOR, targets) ?? usual,
    own,
    personal: reflector.getAllAndOverride<boolean | undefined>(PERSONAL, targets) ?? false,
  };
}

export type SignedInRequest = Request & { signedIn?: SignedIn; cookies?: Record<string, string> };

/** Who sends the request; only behind the guard. */
export const Who = createParamDecorator((_: unknown, context: ExecutionContext): SignedIn => {
  const { signedIn } = context.switchToHttp().getRequest<SignedInRequest>();
  if (!signedIn) throw new Problem(401, 'signed-out', SIGNED_OUT);
  return signedIn;
});

const SIGNED_OUT =
  'You are signed out. What you entered is kept on this device; sign in and it will be sent.';
const NO_TOKEN = 'This token is not good, or is good no more. An owner of the club makes another.';
/** Methods that change nothing. */
export const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Denied by default: every route wants a valid sign-in and an allowed role unless it says otherwise, and every change
 * must come from our own page (same origin, and the sign-in's change token in a header that other sites cannot send).
 */
@Injectable()
export class SignedInGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly asks: WhoAsks,
    private readonly owners: Owners,
    @Inject(CONFIG) private readonly config: Config,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<SignedInRequest>();
    const targets = [context.getHandler(), context.getClass()];
    const changes = !SAFE.has(request.method);
    if (changes) checkOrigin(request, this.config.trustProxy);
    const rule = ruleOf(this.reflector, targets, request.method);
    if (rule.public) return true;

    const signedIn = await this.asks.of(request);
    if (!signedIn)
      throw new Problem(
        401,
        'signed-out',
        request.headers.authorization === undefined ? SIGNED_OUT : NO_TOKEN,
      );
    if (signedIn.client !== undefined && rule.personal)
      throw new Problem(403, 'people-only', 'A client’s token opens nothing of anybody’s own account.');
    if (!rule.roles.includes(signedIn.account.role))
      throw new Problem(403, 'not-allowed', 'Your account may not do this.');
    // A token is shown by the client itself: no other page can make a browser send it.
    if (
      changes &&
      signedIn.client === undefined &&
      !sameText(request.get(CHANGE_HEADER) ?? '', signedIn.changeToken)
    ) {
      throw new Problem(
        403,
        'stale-page',
        'This page is out of date. Reload it and try again; what you entered is kept.',
      );
    }
    // A lifter's account reaches nothing that is not said to be its own.
    const { lifterId } = signedIn.account;
    for (const [thing, param] of lifterId === null ? [] : Object.entries(rule.own ?? {})) {
      const owner = await this.owners.ownerOf(thing, String(request.params[param]));
      if (owner !== lifterId) throw notFound(thing);
    }
    request.signedIn = signedIn;
    return true;
  }
}

/** A proxy may ask under a name of its own; the one the browser used then stands in the header it passes on, where it is trusted. */
function checkOrigin(request: Request, trustProxy: Config['trustProxy']): void {
  const origin = request.get('origin');
  const asked =
    (trustProxy !== false && request.get('x-forwarded-host')?.split(',')[0]?.trim()) || request.get('host');
  if (origin && hostOf(origin) !== asked) {
    throw new Problem(403, 'foreign-page', 'Changes are only taken from Iron Clasp’s own pages.');
  }
}

function sameText(a: string, b: string): boolean {
  const [left, right] = [Buffer.from(a), Buffer.from(b)];
  return left.length === right.length && timingSafeEqual(left, right);
}

function hostOf(origin: string): string | undefined {
  try {
    return new URL(origin).host;
  } catch {
    return undefined;
  }
}
