import type { Book } from "@/usecases/books";
import { ANSWERS, type HeavyPorts, type Task } from "@/usecases/reckoning";
import { type Told, tell } from "@/usecases/telling";
import { cleanProduction, openServices } from "@/wiring";

const services = openServices(process.env, { connections: 2 });
const ports: HeavyPorts = { ...services, cleanProduction: (book) => cleanProduction(services, book) };

/** Answers one question about a book, in a thread of its own. */
export default function answer({ book, question, asked }: Task): Promise<Told> {
  const give = ANSWERS[question] as (ports: HeavyPorts, book: Book, asked: unknown) => Promise<unknown>;
  return tell(() => give(ports, book, asked));
}
