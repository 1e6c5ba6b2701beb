import {
  Inject,
  Injectable,
  SetMetadata,
  applyDecorators,
  createParamDecorator,
  type CanActivate,
  type ExecutionContext,
} from "@nestjs/common";
import { Reflector } from "@nestjs/core";
import { ApiExtension, ApiSecurity } from "@nestjs/swagger";
import type { Request } from "express";
import type { Role } from "@dragonet/contract";
import { KnownPeople, type SignedIn } from "./knownPeople.ts";
import { SESSION } from "../docs/answers.ts";
import { Sessions } from "./sessions.ts";
import { forbidden, notSignedIn } from "../http/refusal.ts";

export type { SignedIn } from "./knownPeople.ts";

type AskedRequest = Request & { person?: SignedIn };

const NEEDED_ROLE = "neededRole";
const OPEN = "open";

const RANK: Readonly<Record<Role, number>> = { viewer: 0, installer: 1, owner: 2 };

/** Marks what needs more than looking: `@Needs("installer")`, `@Needs("owner")`. */
export const RequireRole = (role: Role) =>
  applyDecorators(SetMetadata(NEEDED_ROLE, role), ApiSecurity(SESSION, [role]));

/** Marks what may be asked for without signing in. */
export const Public = () => applyDecorators(SetMetadata(OPEN, true), ApiExtension("x-open", true));

export const CurrentUser = createParamDecorator(
  (_: unknown, context: ExecutionContext): SignedIn => {
    const { person: me } = context.switchToHttp().getRequest<AskedRequest>();
    if (!me) throw notSignedIn();
    return me;
  },
);

/** Guards everything: signed in, active, and of the role that is needed. */
@Injectable()
export class AccessGuard implements CanActivate {
  constructor(
    @Inject(KnownPeople) private readonly known: KnownPeople,
    @Inject(Sessions) private readonly sessions: Sessions,
    @Inject(Reflector) private readonly reflector: Reflector,
  ) {}

  async canActivate(context: ExecutionContext): Promise<boolean> {
    const targets = [context.getHandler(), context.getClass()];
    const open = this.reflector.getAllAndOverride<boolean | undefined>(OPEN, targets);
    const req = context.switchToHttp().getRequest<AskedRequest>();
    const id = await this.sessions.personOf(req);
    const found = id ? await this.known.read(id) : null;
    if (found) req.person = found;
    if (open) return true;
    if (!req.person) throw notSignedIn();
    const needed = this.reflector.getAllAndOverride<Role | undefined>(NEEDED_ROLE, targets);
    if (needed && RANK[req.person.role] < RANK[needed]) {
      throw forbidden(`this needs the role ${needed}; you are ${req.person.role}`);
    }
    return true;
  }
}
