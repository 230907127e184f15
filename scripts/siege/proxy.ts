import { type ChildProcess, execFileSync, spawn } from "node:child_process";
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import type { IncomingHttpHeaders } from "node:http";
import { Agent, request } from "node:https";
import path from "node:path";
import { setTimeout as wait } from "node:timers/promises";
import { type House, startHouse } from "../lib/house.mjs";
import { lastEvent } from "./client";
import { row, tried } from "./report";

const SITE = JSON.parse(readFileSync(new URL("../../test/fixtures/plants/dry-roof/dry-roof.site.json", import.meta.url), "utf8")) as object;
const NAME = "ledger.example";
const ORIGIN = `https://${NAME}`;
const PORT = 38_443;

interface Proxy {
  readonly ca: Buffer;
  kill(): void;
  start(): Promise<void>;
  remove(): void;
}

/** The proxy's program: the system's own, or taken out of its package into a folder, since putting the package in would start a service. */
function programIn(folder: string): string | null {
  if (existsSync("/usr/sbin/nginx")) return "/usr/sbin/nginx";
  try {
    execFileSync("apt-get", ["download", "nginx"], { cwd: folder, stdio: "ignore" });
    const archive = readdirSync(folder).find((name) => name.endsWith(".deb"))!;
    execFileSync("dpkg", ["-x", archive, "taken"], { cwd: folder });
    return path.join(folder, "taken", "usr", "sbin", "nginx");
  } catch {
    return null;
  }
}

/** A proxy that ends https before the house, as its owner would set one up; null where none can be had. */
function proxyBefore(house: string): Proxy | null {
  const folder = mkdtempSync("/var/tmp/dusty-ledger-proxy-");
  const program = programIn(folder);
  const remove = (): void => rmSync(folder, { recursive: true, force: true });
  if (!program) {
    remove();
    return null;
  }
  const [key, certificate] = [path.join(folder, "key.pem"), path.join(folder, "certificate.pem")];
  execFileSync(
    "openssl",
    `req -x509 -newkey ec -pkeyopt ec_paramgen_curve:prime256v1 -nodes -days 2 -subj /CN=${NAME} -addext subjectAltName=DNS:${NAME} -keyout ${key} -out ${certificate}`.split(
      " ",
    ),
    { stdio: "ignore" },
  );
  mkdirSync(path.join(folder, "temp"));
  const temp = ["client_body", "proxy", "fastcgi", "uwsgi", "scgi"].map((kind) => `${kind}_temp_path ${folder}/temp/${kind};`).join("\n");
  const settings = path.join(folder, "proxy.conf");
  writeFileSync(
    settings,
    `${process.getuid?.() === 0 ? "user root;" : ""}
daemon off;
worker_processes 1;
pid ${folder}/pid;
error_log ${folder}/errors;
events { worker_connections 4096; }
http {
  access_log off;
  ${temp}
  server {
    listen 127.0.0.1:${PORT} ssl;
    server_name ${NAME};
    ssl_certificate ${certificate};
    ssl_certificate_key ${key};
    client_max_body_size 500m;
    location / {
      proxy_pass ${house};
      proxy_http_version 1.1;
      proxy_set_header X-Forwarded-For $proxy_add_x_forwarded_for;
      proxy_set_header Host $host;
      proxy_request_buffering off;
    }
  }
}
`,
  );
  let child: ChildProcess | null = null;
  return {
    ca: readFileSync(certificate),
    async start() {
      child = spawn(program, ["-c", settings, "-p", folder, "-e", path.join(folder, "errors")], { stdio: "ignore" });
      await wait(500);
      if (child.exitCode !== null)
        throw new Error(`the proxy did not start: ${readFileSync(path.join(folder, "errors"), "utf8").slice(-500)}`);
    },
    // Its worker ends with its master's line.
    kill: () => void child?.kill("SIGTERM"),
    remove,
  };
}

interface Asked {
  readonly method?: string;
  readonly origin?: string;
  readonly body?: string;
  /** Address of this machine that it is asked from: all of 127.0.0.0/8 is. */
  readonly from?: string;
  readonly type?: string;
}

interface Told {
  readonly status: number;
  readonly text: string;
  readonly headers: IncomingHttpHeaders;
  /** When each piece came, ms after the question. */
  readonly pieces: readonly number[];
}

/** Asks through the proxy as a browser would that reaches the house by its name. */
function through(
  ca: Buffer,
  route: string,
  { method = "GET", origin = ORIGIN, body, from, type = "application/json" }: Asked = {},
): Promise<Told> {
  const agent = new Agent({ ca, servername: NAME, keepAlive: false });
  const began = performance.now();
  return new Promise((resolve, reject) => {
    const asked = request(
      {
        agent,
        host: "127.0.0.1",
        port: PORT,
        path: route,
        method,
        localAddress: from,
        timeout: 20_000,
        headers: {
          Host: NAME,
          Origin: origin,
          ...(body === undefined ? {} : { "Content-Type": type, "Content-Length": Buffer.byteLength(body) }),
        },
      },
      (answer) => {
        let text = "";
        const pieces: number[] = [];
        answer.on("data", (piece: Buffer) => {
          text += piece.toString();
          pieces.push(performance.now() - began);
        });
        answer.once("end", () => resolve({ status: answer.statusCode!, text, headers: answer.headers, pieces }));
        answer.once("error", reject);
      },
    );
    asked.once("timeout", () => asked.destroy(new Error("no answer")));
    asked.once("error", reject);
    asked.end(body);
  });
}

const must = (holds: boolean, otherwise: string): void => {
  if (!holds) throw new Error(otherwise);
};

/** The house behind a real proxy that ends https: who may do what, what is said on every answer, and what comes of it when the proxy dies. */
export async function behindProxy(): Promise<void> {
  let house: House | null = null;
  let proxy: Proxy | null = null;
  try {
    house = await startHouse({
      firstPort: 3760,
      steps: [],
      env: { PUBLIC_ORIGIN: ORIGIN, DUSTY_LEDGER_TRUSTED_PROXIES: "127.0.0.1" },
    });
    proxy = proxyBefore(house.site.address);
    if (!proxy) return row("proxy", "left out: no proxy can be had here", 0, 0);
    await proxy.start();
    await tries(house, proxy);
  } finally {
    proxy?.kill();
    await wait(300);
    proxy?.remove();
    await house?.stop();
  }
}

async function tries(house: House, proxy: Proxy): Promise<void> {
  const ask = (route: string, asked?: Asked): Promise<Told> => through(proxy.ca, route, asked);
  let slug = "";
  await tried("proxy", "a page by https", async () => {
    const { status, headers } = await ask("/");
    must(status === 200, `answered ${status}`);
    must(/max-age=\d{7,}/.test(headers["strict-transport-security"] ?? ""), "no HSTS");
    must(/script-src[^;]*nonce-/.test(headers["content-security-policy"] as string), "no CSP with a nonce");
    return `HSTS ${headers["strict-transport-security"]}`;
  });
  await tried("proxy", "a change from the public origin, from others, and from none", async () => {
    const body = JSON.stringify({ ...SITE, name: "Behind a proxy" });
    const [own, plain, foreign] = [
      await ask("/api/books", { method: "POST", body }),
      await ask("/api/books", { method: "POST", body, origin: `http://${NAME}` }),
      await ask("/api/books", { method: "POST", body, origin: "https://elsewhere.example" }),
    ];
    must(own.status === 201 && plain.status === 403 && foreign.status === 403, `${own.status}, ${plain.status}, ${foreign.status}`);
    slug = (JSON.parse(own.text) as { slug: string }).slug;
    return "201, 403 by http, 403 from elsewhere";
  });
  await tried("proxy", "what is for this side of the proxy alone", async () => {
    const statuses = await Promise.all(["/readyz", "/metrics", "/healthz"].map(async (route) => (await ask(route)).status));
    must(statuses[0] === 404 && statuses[1] === 404 && statuses[2] === 200, statuses.join(", "));
    return "/readyz and /metrics 404, /healthz 200";
  });
  await tried("proxy", "an import of 200,000 rows, told as it goes", async () => {
    const readings = `time,energy_kwh\n${Array.from({ length: 200_000 }, (_, k) => `${new Date(Date.UTC(2012, 0, 1) + k * 300_000).toISOString().slice(0, 16)}Z,0.${k % 97}`).join("\n")}\n`;
    const up = await ask(`/api/books/${slug}/uploads?name=meter.csv`, { method: "POST", body: readings, type: "application/octet-stream" });
    must(up.status === 201, `upload ${up.status} ${up.text.slice(0, 200)}`);
    const { uploadId } = JSON.parse(up.text) as { uploadId: string };
    const seen = await ask(`/api/books/${slug}/uploads/${uploadId}/preview`, { method: "POST", body: "{}" });
    must(seen.status === 200, `preview ${seen.status}`);
    const done = await ask(`/api/books/${slug}/uploads/${uploadId}/import`, { method: "POST", body: "{}" });
    must(lastEvent(done.text).kind === "done", done.text.slice(-300));
    const [first, last] = [done.pieces[0]!, done.pieces.at(-1)!];
    must(done.pieces.length > 1 && first < last / 2, `first word after ${Math.round(first)} of ${Math.round(last)} ms`);
    return `first word after ${Math.round(first)} ms, the last after ${Math.round(last)}`;
  });
  await tried("proxy", "one address that takes every place, and another that asks", async () => {
    const many = Array.from({ length: 400 }, () => ask("/", { from: "127.0.0.7" }).catch(() => null));
    await wait(50);
    const began = performance.now();
    const { status } = await ask("/", { from: "127.0.0.8" });
    const ms = performance.now() - began;
    const served = (await Promise.all(many)).filter((answer) => answer?.status === 200).length;
    must(status === 200, `answered ${status}`);
    return `answered after ${Math.round(ms)} ms beside ${served} of 400`;
  });
  await tried("proxy", "killed in the middle of an upload", async () => {
    const uploads = path.join(house.env.DUSTY_LEDGER_VAR!, "uploads");
    const before = readdirSync(uploads).length;
    const sending = ask(`/api/books/${slug}/uploads?name=b.csv`, {
      method: "POST",
      body: "1\n".repeat(40_000_000),
      type: "application/octet-stream",
    }).then(
      ({ status }) => status,
      () => "cut off",
    );
    for (let k = 0; k < 200 && readdirSync(uploads).length === before; k++) await wait(10);
    proxy.kill();
    const told = await sending;
    for (let k = 0; k < 100 && readdirSync(uploads).length > before; k++) await wait(100);
    must(readdirSync(uploads).length === before, "something is left");
    await proxy.start();
    const { status } = await ask(`/books/${slug}/ledger`);
    must(status === 200, `started again, a page answered ${status}`);
    return `told ${told}, nothing left; pages again once it is back`;
  });
}
