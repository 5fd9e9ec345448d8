import { chownSync, mkdtempSync, rmSync, writeFileSync } from "node:fs";
import { connect } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { clusterUser } from "./cluster.mjs";
import { ensureDebian, findPooler } from "./packages.mjs";
import { atEnd, start } from "./processes.mjs";

const READY_TRIES = 100;
const wait = (ms) => new Promise((resolve) => setTimeout(resolve, ms));

const listens = (port) =>
  new Promise((resolve) => {
    const socket = connect(port, "127.0.0.1");
    socket.on("connect", () => {
      socket.destroy();
      resolve(true);
    });
    socket.on("error", () => resolve(false));
  });

const settings = ({ port, to, secrets, connections }) => `[databases]
* = host=${to.hostname} port=${to.port || 5432}
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${port}
unix_socket_dir =
auth_type = scram-sha-256
auth_file = ${secrets}
pool_mode = transaction
default_pool_size = ${connections}
max_client_conn = 2000
; A server that is gone is said to be so in time.
server_connect_timeout = 3
query_wait_timeout = 4
server_login_retry = 1
log_connections = 0
log_disconnections = 0
`;

/**
 * PgBouncer in transaction mode before the database that an application's address names; answers with the address through it
 * and with what ends or starts it. Its folder goes with the command.
 */
export async function startPooler(appUrl, port, { connections = 10 } = {}) {
  const program = await ensureDebian("PgBouncer", ["pgbouncer"], findPooler);
  const to = new URL(appUrl);
  // Like the database it must not run as root.
  const user = clusterUser();
  const folder = mkdtempSync(join(tmpdir(), "pooler-"));
  const secrets = join(folder, "secrets");
  const file = join(folder, "pooler.ini");
  const [name, password] = [to.username, to.password].map(decodeURIComponent);
  writeFileSync(secrets, `"${name}" "${password}"\n`, { mode: 0o600 });
  writeFileSync(file, settings({ port, to, secrets, connections }), { mode: 0o600 });
  if (user.uid !== undefined) for (const each of [folder, secrets, file]) chownSync(each, user.uid, user.gid);
  let child;
  const launch = () => {
    child = start(program, ["-q", file], { ...user, cwd: folder, stdio: ["ignore", "ignore", "pipe"] });
    child.stderr.resume();
    return child;
  };
  launch();
  const close = () => {
    child.kill("SIGKILL");
    rmSync(folder, { recursive: true, force: true });
  };
  atEnd(close);
  for (let look = 0; look < READY_TRIES && !(await listens(port)); look++) await wait(50);
  const through = new URL(appUrl);
  through.host = `127.0.0.1:${port}`;
  return { url: through.toString(), kill: (signal = "SIGKILL") => child.kill(signal), start: launch, close };
}
