/**
 * Several servers on one machine as they would stand on several: PostgreSQL with a standby that every save
 * waits for, pgBouncer before it, servers, nginx before them. All are Debian's own packages, on loopback.
 */
import { spawn, spawnSync } from "node:child_process";
import { cpSync, readFileSync, readdirSync, rmSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { setTimeout as sleep } from "node:timers/promises";
import { Failure } from "./fail.mjs";
import { findProgram, freePort, installPackages, postgresFolder } from "./machine.mjs";
import { fromRoot } from "./paths.mjs";
import { dataFolder, makeFolder, serverUser, startPostgres } from "./postgres.mjs";

const STANDBY = "standby1";
const SYSTEM = ["/usr/sbin", "/sbin", "/usr/local/sbin"];

/** A program of Debian's, installed where it is missing. */
async function program(name) {
  const there = findProgram(name, SYSTEM);
  if (there) return there;
  await installPackages([name]);
  const now = findProgram(name, SYSTEM);
  if (!now) throw new Failure(`${name} was installed but is not where Debian puts it.`);
  return now;
}

/** A child that is stopped with the cluster; what it said last is told when it ends unasked. */
function keep(command, args, options = {}) {
  let said = "";
  const child = spawn(command, args, {
    stdio: ["ignore", "pipe", "pipe"],
    detached: true,
    ...options,
  });
  for (const stream of [child.stdout, child.stderr]) {
    stream?.on("data", (chunk) => (said = (said + chunk).slice(-4000)));
  }
  const gone = new Promise((done) => child.once("exit", done));
  return {
    child,
    said: () => said,
    async stop(signal = "SIGTERM") {
      if (child.exitCode !== null || child.signalCode !== null) return;
      child.kill(signal);
      const late = setTimeout(() => child.kill("SIGKILL"), 15_000);
      await gone;
      clearTimeout(late);
    },
  };
}

async function until(what, seconds, test) {
  for (let i = 0; i < seconds * 20; i += 1) {
    if (await test()) return;
    await sleep(50);
  }
  throw new Failure(`${what} did not come about within ${seconds} s.`);
}

const BUILD = fromRoot("apps/server/dist");
const LATER = fromRoot("apps/server/dist-later");

/** A copy of the build that writes documents of one version more: what the next release will be. */
function laterBuild() {
  rmSync(LATER, { recursive: true, force: true });
  cpSync(BUILD, LATER, { recursive: true });
  const files = readdirSync(LATER).filter((name) => name.endsWith(".js"));
  const texts = new Map(files.map((name) => [name, readFileSync(join(LATER, name), "utf8")]));
  const said = /(JOB_FORMAT = "dragonet-job\/)(\d+)"/;
  const [now] = [...texts.values()].flatMap((text) => said.exec(text)?.[2] ?? []);
  const next = Number(now) + 1;
  const step = `{ job: (document) => ({ ...document, format: "dragonet-job/${next}" }) }`;
  const change = (from, to) => {
    const changed = [...texts].filter(([, text]) => from.test(text));
    if (changed.length !== 1)
      throw new Failure("the build says its version otherwise than thought");
    const [[name, text]] = changed;
    texts.set(name, text.replace(from, to));
    writeFileSync(join(LATER, name), texts.get(name));
  };
  change(said, `$1${next}"`);
  change(/(\bSTEPS = \[\s[\s\S]*?\n)(\];)/, `$1,${step}$2`);
  return LATER;
}

export class Cluster {
  servers = [];
  /** Which build servers are started from. */
  program = BUILD;

  constructor({ data, size, port }) {
    Object.assign(this, { data, size, port, primaryName: `${data}-a`, standbyName: `${data}-b` });
  }

  /** A statement on a PostgreSQL by its port, or on pgBouncer's own console. */
  sql(port, statement, database = "dragonet") {
    const { status, stdout, stderr } = spawnSync(
      join(postgresFolder(), "psql"),
      [`postgresql://dragonet@127.0.0.1:${port}/${database}`, "-At", "-q", "-c", statement],
      { encoding: "utf8", timeout: 30_000 },
    );
    if (status !== 0) throw new Failure(`“${statement}”: ${stderr.trim()}`);
    return stdout.trim();
  }

  /** The other PostgreSQL, a copy of the one that takes writes, which then waits for it at every save. */
  async addStandby() {
    const user = serverUser();
    const folder = dataFolder(this.standbyName);
    rmSync(folder, { recursive: true, force: true });
    makeFolder(folder, user);
    const copied = spawnSync(
      join(postgresFolder(), "pg_basebackup"),
      [
        ...["-h", "127.0.0.1", "-p", String(this.primary.port), "-U", "dragonet"],
        ...["-D", folder, "-R", "-X", "stream", "-c", "fast", "--no-sync"],
      ],
      { ...user, cwd: folder, encoding: "utf8" },
    );
    if (copied.status !== 0) throw new Failure(`The standby could not be made: ${copied.stderr}`);
    const conninfo = `host=127.0.0.1 port=${this.primary.port} user=dragonet application_name=${STANDBY}`;
    this.standby = await startPostgres(this.standbyName, {
      settings: [`primary_conninfo=${conninfo}`, "hot_standby_feedback=on"],
    });
    await until(
      "The standby",
      30,
      () =>
        this.sql(
          this.primary.port,
          `select count(*) from pg_stat_replication where application_name = '${STANDBY}' and state = 'streaming'`,
        ) === "1",
    );
    this.namesStandby(`'${STANDBY}'`);
  }

  /** Which standby every save waits for; none where there is none, or nobody could save. */
  namesStandby(name) {
    this.sql(this.primary.port, `alter system set synchronous_standby_names = ${name}`);
    this.sql(this.primary.port, "select pg_reload_conf()");
  }

  writePool() {
    const to = `host=127.0.0.1 port=${this.primary.port} dbname=dragonet`;
    // What listens and what locks has its connection from beginning to end.
    writeFileSync(
      join(this.folder, "pgbouncer.ini"),
      `[databases]
dragonet = ${to}
dragonet_direct = ${to} pool_mode=session
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${this.poolPort}
unix_socket_dir =
auth_type = trust
auth_file = ${join(this.folder, "users.txt")}
admin_users = dragonet
pool_mode = transaction
default_pool_size = 20
max_client_conn = 200
ignore_startup_parameters = extra_float_digits
server_reset_query_always = 0
query_wait_timeout = 30
`,
    );
  }

  writeNginx(asked) {
    const upstream = this.servers.map(
      ({ port }) => `    server 127.0.0.1:${port} max_fails=1 fail_timeout=2s;`,
    );
    const file = join(this.folder, "nginx.conf");
    const temp = ["client_body", "proxy", "fastcgi", "uwsgi", "scgi"].map(
      (name) => `  ${name}_temp_path ${join(this.folder, name)};`,
    );
    writeFileSync(
      file,
      `worker_processes 1;
daemon off;
pid ${join(this.folder, "nginx.pid")};
error_log stderr warn;
events { worker_connections 1024; }
http {
  access_log off;
${temp.join("\n")}
  upstream shop {
${upstream.join("\n")}
    keepalive 32;
  }
  server {
    listen 127.0.0.1:${asked};
    # What may be sent is decided by the shop itself.
    client_max_body_size 0;
    proxy_http_version 1.1;
    proxy_set_header Connection "";
    proxy_set_header Host $http_host;
    proxy_set_header X-Forwarded-For $remote_addr;
    proxy_set_header X-Forwarded-Proto $scheme;
    proxy_next_upstream_tries 3;
    location / {
      proxy_pass http://shop;
      # What was asked and not answered is asked of another server; what changes something is not.
      proxy_next_upstream error timeout http_502 http_503;
    }
    # But a save: the same batch is taken once, whichever server has it.
    location ~ ^/api/jobs/[^/]+/edits$ {
      proxy_pass http://shop;
      proxy_next_upstream error timeout http_502 http_503 non_idempotent;
    }
    location /api/events {
      proxy_pass http://shop;
      proxy_buffering off;
      proxy_read_timeout 1h;
    }
  }
}
`,
    );
    return file;
  }

  async startServer(port) {
    const child = spawn(process.execPath, [join(this.program, "main.js")], {
      env: {
        ...process.env,
        NODE_ENV: "production",
        PORT: String(port),
        HOST: "127.0.0.1",
        TRUST_PROXY: "loopback",
        DRAGONET_DEMO: "1",
        DRAGONET_LOG: process.env.DRAGONET_LOG ?? "warn",
        DATABASE_URL: `postgresql://dragonet@127.0.0.1:${this.poolPort}/dragonet`,
        DATABASE_DIRECT_URL: `postgresql://dragonet@127.0.0.1:${this.poolPort}/dragonet_direct`,
      },
      stdio: ["ignore", "ignore", "inherit", "ipc"],
      detached: true,
    });
    const server = { port, child, pid: child.pid };
    await new Promise((done, failed) => {
      child.once("message", done);
      child.once("exit", () => failed(new Failure(`the server at ${port} did not start`)));
    });
    return server;
  }

  async stopServer({ child }, signal = "SIGTERM") {
    if (child.exitCode !== null || child.signalCode !== null) return;
    const gone = new Promise((done) => child.once("exit", done));
    child.kill(signal);
    const late = setTimeout(() => child.kill("SIGKILL"), 10_000);
    await gone;
    clearTimeout(late);
  }

  async start() {
    const [pgbouncer, nginx] = [await program("pgbouncer"), await program("nginx")];
    const user = serverUser();
    this.folder = dataFolder(`${this.data}-run`);
    rmSync(this.folder, { recursive: true, force: true });
    makeFolder(this.folder, user);
    this.primary = await startPostgres(this.primaryName, { reset: true });
    await this.addStandby();
    this.poolPort = await freePort();
    writeFileSync(join(this.folder, "users.txt"), `"dragonet" ""\n`);
    this.writePool();
    const own = { ...user, cwd: this.folder };
    this.pool = keep(pgbouncer, [join(this.folder, "pgbouncer.ini")], own);
    await until(`pgBouncer (${this.pool.said()})`, 10, () => {
      try {
        return this.sql(this.poolPort, "select 1") === "1";
      } catch {
        return false;
      }
    });
    // All at one moment: one of them makes the tables, the others wait.
    const ports = [];
    for (let i = 0; i < this.size; i += 1) ports.push(await freePort());
    this.servers = await Promise.all(ports.map((port) => this.startServer(port)));
    this.port ??= await freePort();
    this.front = keep(nginx, ["-p", this.folder, "-c", this.writeNginx(this.port)], own);
    this.url = `http://127.0.0.1:${this.port}`;
    await until("nginx", 10, () =>
      fetch(`${this.url}/api/health`).then(
        (r) => r.ok,
        () => false,
      ),
    );
  }

  /**
   * Puts the standby in the place of the one that takes writes, while people work: saves wait at pgBouncer, the
   * old one ends when the standby has everything, the standby takes over, saves go on. Answers seconds.
   */
  async switchOver() {
    const began = performance.now();
    this.sql(this.poolPort, "PAUSE dragonet", "pgbouncer");
    // "fast" ends connections; the standby is sent everything before the end.
    await this.primary.stop();
    this.sql(this.standby.port, "select pg_promote()");
    await until(
      "The standby's turn",
      15,
      () => this.sql(this.standby.port, "select pg_is_in_recovery()") === "f",
    );
    [this.primaryName, this.standbyName] = [this.standbyName, this.primaryName];
    this.primary = this.standby;
    this.standby = null;
    // Nobody is there yet to wait for.
    this.namesStandby("''");
    this.writePool();
    this.sql(this.poolPort, "RELOAD", "pgbouncer");
    this.sql(this.poolPort, "RECONNECT dragonet_direct", "pgbouncer");
    this.sql(this.poolPort, "RESUME dragonet", "pgbouncer");
    return (performance.now() - began) / 1000;
  }

  /** Kills a server as a power cut would, and starts it again. */
  async killServer(index) {
    const { port } = this.servers[index];
    await this.stopServer(this.servers[index], "SIGKILL");
    this.servers[index] = await this.startServer(port);
  }

  /**
   * Every server anew, one after the other, by a later version of the same build: how a new version comes in while
   * people work. The first of them brings every document up, beside older ones that are still running.
   *
   * @param between what is done while both are there
   */
  async upgrade(between = async () => {}) {
    this.program = laterBuild();
    for (let i = 0; i < this.servers.length; i += 1) {
      const { port } = this.servers[i];
      await this.stopServer(this.servers[i]);
      this.servers[i] = await this.startServer(port);
      await between();
    }
  }

  async stop() {
    await this.front?.stop("SIGQUIT");
    await Promise.all(this.servers.map((server) => this.stopServer(server)));
    await this.pool?.stop("SIGINT");
    // The standby goes first: its primary must not wait for it at what is still saved.
    if (this.primary && this.standby) this.namesStandby("''");
    await this.standby?.stop();
    await this.primary?.stop();
  }

  /** Forgets everything that the trial has kept. */
  remove() {
    rmSync(LATER, { recursive: true, force: true });
    for (const name of [this.primaryName, this.standbyName, `${this.data}-run`]) {
      rmSync(dataFolder(name), { recursive: true, force: true });
      rmSync(fromRoot(name), { recursive: true, force: true });
    }
  }
}
