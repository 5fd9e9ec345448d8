import type { ChildProcess } from "node:child_process";
import { chownSync, mkdirSync, openSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { clusterUser } from "../lib/cluster.mjs";
import { processesBy } from "../lib/process-ids.mjs";
import { start } from "../lib/processes.mjs";
import type { Place } from "./network.ts";

export const SUPERUSER = "ledger_owner";
export const PORTS = { postgres: 5432, patroni: 8008, etcd: 2379, peers: 2380 };
/**
 * A leader that says nothing for so long has lost its place. The engine wants `ttl` to be `loop_wait` and twice `retry_timeout`
 * at least; shorter ones were taken for dead on a loaded machine.
 */
const WATCH = { ttl: 10, loop_wait: 2, retry_timeout: 3 };

export interface Passwords {
  superuser: string;
  replication: string;
}

/** One machine of the trial: a member of the key store, and PostgreSQL with what watches it. */
export class ClusterNode {
  private children: ChildProcess[] = [];

  constructor(
    readonly place: Place,
    private readonly folder: string,
    private readonly all: readonly Place[],
    private readonly passwords: Passwords,
    private readonly programs: { postgres: string; etcd: string; patroni: string },
  ) {}

  get name(): string {
    return this.place.name;
  }

  /** Its own folder, as the user that a database may run as. */
  prepare(): void {
    const { uid = process.getuid?.() ?? 0, gid = process.getgid?.() ?? 0 } = clusterUser() as {
      uid?: number;
      gid?: number;
    };
    for (const each of [this.folder, join(this.folder, "sockets")]) {
      mkdirSync(each, { recursive: true, mode: 0o700 });
      chownSync(each, uid, gid);
    }
    const file = join(this.folder, "patroni.yml");
    // JSON is YAML too.
    writeFileSync(file, JSON.stringify(this.settings(), null, 2), { mode: 0o600 });
    chownSync(file, uid, gid);
  }

  private settings() {
    const { host, name } = this.place;
    const { superuser, replication } = this.passwords;
    return {
      scope: "ledger",
      name,
      restapi: { listen: `${host}:${PORTS.patroni}`, connect_address: `${host}:${PORTS.patroni}` },
      // By the store's older interface: with the newer one this version's leader, frozen and thawed, takes the lock back unasked
      // and every line that was booked meanwhile is gone. The older one compares before it sets.
      etcd: { hosts: this.all.map((each) => `${each.host}:${PORTS.etcd}`) },
      bootstrap: {
        dcs: {
          ...WATCH,
          synchronous_mode: true,
          postgresql: { use_pg_rewind: true, parameters: { max_connections: 120, wal_keep_size: "256MB" } },
        },
        initdb: [{ encoding: "UTF8" }, { locale: "C.UTF-8" }, "data-checksums"],
      },
      postgresql: {
        listen: `${host}:${PORTS.postgres}`,
        connect_address: `${host}:${PORTS.postgres}`,
        data_dir: join(this.folder, "data"),
        bin_dir: this.programs.postgres,
        pg_hba: ["host all all 0.0.0.0/0 scram-sha-256", "host replication all 0.0.0.0/0 scram-sha-256"],
        authentication: {
          superuser: { username: SUPERUSER, password: superuser },
          replication: { username: "replicator", password: replication },
        },
        parameters: { unix_socket_directories: join(this.folder, "sockets") },
      },
    };
  }

  private run(program: string, args: readonly string[]): void {
    const { uid, gid } = clusterUser() as { uid?: number; gid?: number };
    const as = uid === undefined ? [] : ["setpriv", `--reuid=${uid}`, `--regid=${gid}`, "--clear-groups"];
    const [command, ...rest] = [...this.place.inside, ...as, program, ...args];
    const log = openSync(join(this.folder, "log"), "a");
    const child = start(command as string, rest, {
      cwd: this.folder,
      stdio: ["ignore", log, log],
      env: { ...process.env, HOME: this.folder },
    });
    this.children.push(child);
  }

  startStore(): void {
    const { host, name } = this.place;
    const peers = this.all.map((each) => `${each.name}=http://${each.host}:${PORTS.peers}`).join(",");
    this.run(this.programs.etcd, [
      ...["--name", name, "--data-dir", join(this.folder, "etcd")],
      ...[
        "--listen-client-urls",
        `http://${host}:${PORTS.etcd}`,
        "--advertise-client-urls",
        `http://${host}:${PORTS.etcd}`,
      ],
      ...[
        "--listen-peer-urls",
        `http://${host}:${PORTS.peers}`,
        "--initial-advertise-peer-urls",
        `http://${host}:${PORTS.peers}`,
      ],
      ...[
        "--initial-cluster",
        peers,
        "--initial-cluster-state",
        "new",
        "--enable-v2",
        "--pre-vote",
        "--heartbeat-interval",
        "100",
        "--election-timeout",
        "1000",
      ],
    ]);
  }

  startDatabase(): void {
    this.run(this.programs.patroni, [join(this.folder, "patroni.yml")]);
  }

  /** The ids of its PostgreSQL and of what watches it, the watcher's first. */
  private get databaseProcesses(): number[] {
    const watcher = processesBy("-f", "--", join(this.folder, "patroni.yml"));
    const [first] = processesBy("-f", "--", `postgres -D ${join(this.folder, "data")}`);
    return [...watcher, ...(first ? [first, ...processesBy("-P", String(first))] : [])];
  }

  private signal(name: NodeJS.Signals): void {
    for (const pid of this.databaseProcesses) {
      try {
        process.kill(pid, name);
      } catch {
        // Gone meanwhile.
      }
    }
  }

  kill(): void {
    this.signal("SIGKILL");
  }
  freeze(): void {
    this.signal("SIGSTOP");
  }
  thaw(): void {
    this.signal("SIGCONT");
  }

  /** Whether its watcher says that it leads, follows in step, follows, or nothing. */
  async role(): Promise<"leader" | "in step" | "follows" | "silent"> {
    try {
      const answer = await fetch(`http://${this.place.host}:${PORTS.patroni}/patroni`, {
        signal: AbortSignal.timeout(1500),
      });
      const said = (await answer.json()) as { role?: string; state?: string; sync_standby?: boolean };
      if (said.state !== "running") return "silent";
      if (said.role === "master" || said.role === "primary")
        return answer.status === 200 ? "leader" : "silent";
      return said.sync_standby ? "in step" : "follows";
    } catch {
      return "silent";
    }
  }

  stop(): void {
    this.thaw();
    this.kill();
    for (const child of this.children) child.kill("SIGKILL");
    for (const pid of processesBy("-f", "--", `--data-dir ${join(this.folder, "etcd")}`))
      process.kill(pid, "SIGKILL");
  }
}
