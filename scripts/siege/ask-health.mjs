import { Agent, request } from "node:http";
import { setTimeout as wait } from "node:timers/promises";
import { parentPort, workerData } from "node:worker_threads";

const EVERY_MS = 30;
/** An answer later than this is none. */
const PATIENCE_MS = 5000;
const agent = new Agent({ keepAlive: true, maxSockets: 4 });

const once = () =>
  new Promise((resolve) => {
    const started = performance.now();
    const asked = request(`${workerData.address}/healthz`, { agent, timeout: PATIENCE_MS }, (answer) => {
      answer.resume();
      answer.once("end", () => {
        parentPort.postMessage(answer.statusCode === 200 ? performance.now() - started : null);
        resolve();
      });
    });
    asked.once("timeout", () => asked.destroy());
    asked.once("error", () => {
      // A kept connection that had been idle for too long was closed as this was sent: that says nothing of the server.
      if (asked.reusedSocket) return once().then(resolve);
      parentPort.postMessage(null);
      resolve();
    });
    asked.end();
  });

for (;;) {
  await once();
  await wait(EVERY_MS);
}
