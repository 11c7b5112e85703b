import { timingSafeEqual } from 'node:crypto';
import {
  applyDecorators,
  Injectable,
  SetMetadata,
  createParamDecorator,
  type CanActivate,
  type ExecutionContext,
} from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import type { Request } from 'express';
import { notFound, Problem } from '../http/problem.ts';
import { Owners } from './owners.ts';
import { Identity, type Role, type SignedIn } from './signed-in.ts';

export const COOKIE = 'iron_clasp';
export const CHANGE_HEADER = 'x-iron-clasp-token';

const PUBLIC = 'public';
const ROLES = 'roles';
const OWN = 'own';

/** Opens a route to everyone. Without it a route wants a signed-in coach. */
export const Public = (): ReturnType<typeof SetMetadata> => SetMetadata(PUBLIC, true);
/** Opens a route to these roles instead of coaches alone. */
export const AllowRoles = (...roles: Role[]): ReturnType<typeof SetMetadata> => SetMetadata(ROLES, roles);

/** What in an address must be the signed-in lifter's own, and the parameter that names it. */
export type OwnThing = Readonly<
  Partial<Record<'lifter' | 'session' | 'set' | 'hold' | 'test' | 'attempt', string>>
>;

/** Opens a route to a lifter for what is their own, beside coaches. */
export const LifterMay = (own: OwnThing): ReturnType<typeof applyDecorators> =>
  applyDecorators(AllowRoles('coach', 'lifter'), SetMetadata(OWN, own));

export type SignedInRequest = Request & { signedIn?: SignedIn; cookies?: Record<string, string> };

/** Who sends the request; only behind the guard. */
export const Who = createParamDecorator((_: unknown, context: ExecutionContext): SignedIn => {
  const { signedIn } = context.switchToHttp().getRequest<SignedInRequest>();
  if (!signedIn) throw new Problem(401, 'signed-out', SIGNED_OUT);
  return signedIn;
});

const SIGNED_OUT =
  'You are signed out. What you entered is kept on this device; sign in and it will be sent.';
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Denied by default: every route wants a valid sign-in and an allowed role unless it says otherwise, and every change
 * must come from our own page (same origin, and the sign-in's change token in a header that other sites cannot send).
 */
@Injectable()
export class SignedInGuard implements CanActivate {
  constructor(
    private readonly reflector: Reflector,
    private readonly identity: Identity,
    private readonly owners: Owners,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const request = context.switchToHttp().getRequest<SignedInRequest>();
    const targets = [context.getHandler(), context.getClass()];
    const changes = !SAFE.has(request.method);
    if (changes) checkOrigin(request);
    if (this.reflector.getAllAndOverride<boolean | undefined>(PUBLIC, targets)) return true;

    const signedIn = await this.identity.whoIs(request.cookies?.[COOKIE]);
    if (!signedIn) throw new Problem(401, 'signed-out', SIGNED_OUT);
    const roles = this.reflector.getAllAndOverride<Role[] | undefined>(ROLES, targets) ?? ['coach'];
    if (!roles.includes(signedIn.account.role))
      throw new Problem(403, 'not-allowed', 'Your account may not do this.');
    if (changes && !sameText(request.get(CHANGE_HEADER) ?? '', signedIn.changeToken)) {
      throw new Problem(
        403,
        'stale-page',
        'This page is out of date. Reload it and try again; what you entered is kept.',
      );
    }
    // A lifter's account reaches nothing that is not said to be its own.
    const { lifterId } = signedIn.account;
    const own = this.reflector.getAllAndOverride<OwnThing | undefined>(OWN, targets);
    for (const [thing, param] of lifterId === null ? [] : Object.entries(own ?? {})) {
      const owner = await this.owners.ownerOf(thing, String(request.params[param]));
      if (owner !== lifterId) throw notFound(thing);
    }
    request.signedIn = signedIn;
    return true;
  }
}

function checkOrigin(request: Request): void {
  const origin = request.get('origin');
  if (origin && hostOf(origin) !== request.get('host')) {
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
