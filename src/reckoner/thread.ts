import { serialize } from "node:v8";
import type { Book } from "@/usecases/books";
import { ANSWERS, type HeavyPorts, type Task, type Weighed } from "@/usecases/reckoning";
import { type Told, tell } from "@/usecases/telling";
import { cleanProduction, giveBack, moduleCache, openServices } from "@/wiring";

const services = openServices(process.env, { connections: 2 });
const ports: HeavyPorts = {
  ...services,
  cleanProduction: (book) => cleanProduction(services, book),
  modulesOf: moduleCache(services.readings),
};

/** Answers one question about a book, in a thread of its own. */
export default function answer({ book, question, asked }: Task): Promise<Told> {
  const give = ANSWERS[question] as (ports: HeavyPorts, book: Book, asked: unknown) => Promise<unknown>;
  return tell(async (): Promise<Weighed> => {
    const given = await give(ports, book, asked);
    giveBack();
    return { answer: given, bytes: serialize(given).byteLength };
  });
}
