import { itemAt } from "@dragonet/core";
import "reflect-metadata";
import { randomBytes } from "node:crypto";
import { existsSync, readFileSync } from "node:fs";
import type { Server } from "node:http";
import { NestFactory } from "@nestjs/core";
import type { NestExpressApplication } from "@nestjs/platform-express";
import { eq } from "drizzle-orm";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import session from "express-session";
import type pg from "pg";
import { AppModule } from "./app.module.ts";
import { CONNECTION, DATABASE, type Database } from "./database/database.ts";
import { Described } from "./docs/docs.module.ts";
import { bringUp } from "./database/bringUp.ts";
import { secret } from "./database/schema.ts";
import { admitBody, readBody, soundAddress } from "./http/bodies.ts";
import { PinoLogger } from "./http/pinoLogger.ts";
import { servePage } from "./http/page.ts";
import { requestLog } from "./http/requestLog.ts";
import { sameOrigin } from "./http/sameOrigin.ts";
import { SESSION_COOKIE, sessionStore } from "./people/sessions.ts";

/** The cookie outlasts every session: how long one lasts is the server's to say. */
const LONGEST_SESSION_MS = 365 * 24 * 3600 * 1000;

/** The key that signs session cookies: made once, kept in the database. */
async function sessionKey(db: Database): Promise<string> {
  await db
    .insert(secret)
    .values({ name: "session", value: randomBytes(32).toString("hex") })
    .onConflictDoNothing();
  const rows = await db.select().from(secret).where(eq(secret.name, "session"));
  return itemAt(rows, 0).value;
}

function sessions(pool: pg.Pool, key: string): RequestHandler {
  return session({
    store: sessionStore(pool),
    name: SESSION_COOKIE,
    secret: key,
    resave: false,
    saveUninitialized: false,
    cookie: { httpOnly: true, sameSite: "strict", secure: "auto", maxAge: LONGEST_SESSION_MS },
  });
}

/** An answer of the API is data: never a page, never sniffed, never kept by a cache. */
function apiHeaders(_req: Request, res: Response, next: NextFunction): void {
  res.set("x-content-type-options", "nosniff");
  res.set("content-security-policy", "default-src 'none'; frame-ancestors 'none'");
  res.set("cache-control", "no-store");
  next();
}

/** Key, certificate and authority as PEM files, where the server itself speaks https. */
interface Tls {
  readonly key: Buffer;
  readonly cert: Buffer;
  readonly authority: Buffer;
}

function readTls(): Tls | null {
  const { TLS_KEY: key, TLS_CERTIFICATE: cert, TLS_AUTHORITY: authority } = process.env;
  if (!key || !cert || !authority) return null;
  return {
    key: readFileSync(key),
    cert: readFileSync(cert),
    authority: readFileSync(authority),
  };
}

/** The authority's certificate, for a device that is to trust it: no secret. */
function serveAuthority(app: NestExpressApplication, { authority }: Tls): void {
  app.use("/authority.crt", (req: Request, res: Response, next: NextFunction) => {
    if (req.path !== "/") return next();
    res.type("application/x-x509-ca-cert").send(authority);
  });
}

export interface AppOptions {
  /** Folder of the built page; without it only the API is served. */
  readonly page: string | null;
  readonly demo: boolean;
}

/** How long a quiet connection stays open: nginx and browsers keep theirs for a minute. */
const KEPT_MS = 75_000;

/** Puts the application together: tables, sessions, guards, page. Does not listen yet. */
export async function createApp(options: AppOptions): Promise<NestExpressApplication> {
  const tls = readTls();
  await bringUp(options.demo);
  const app = await NestFactory.create<NestExpressApplication>(AppModule, {
    ...(tls && { httpsOptions: { key: tls.key, cert: tls.cert } }),
    logger: new PinoLogger(),
    bodyParser: false,
    abortOnError: false,
    // Pages that listen would keep a server that is to stop from stopping.
    forceCloseConnections: true,
  });
  // Longer than pages and proxies keep a quiet connection, so that the side that asks next has closed
  // it: a request is not lost on one that the server closed at that very moment.
  const server: Server = app.getHttpServer();
  server.keepAliveTimeout = KEPT_MS;
  const db = app.get<Database>(DATABASE);
  const pool = app.get<pg.Pool>(CONNECTION);
  // Whose word on the real address and on https is taken: a proxy of the shop's own, or nobody.
  const { TRUST_PROXY: proxy } = process.env;
  if (proxy !== undefined && proxy !== "") app.set("trust proxy", proxy.split(/\s*,\s*/));
  app.set("etag", false);
  app.disable("x-powered-by");
  app.use(
    "/api",
    apiHeaders,
    sameOrigin,
    soundAddress,
    requestLog,
    sessions(pool, await sessionKey(db)),
    admitBody,
    readBody,
  );
  if (tls) serveAuthority(app, tls);
  if (options.page !== null && existsSync(options.page)) servePage(app, options.page);
  app.enableShutdownHooks();
  await app.init();
  app.get(Described).is(app);
  return app;
}
