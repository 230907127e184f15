import { services } from "@/wiring";

/** Answers once the database does. */
export async function GET(): Promise<Response> {
  await services().sequelize.authenticate();
  return Response.json({ ok: true });
}
