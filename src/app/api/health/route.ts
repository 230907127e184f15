import { house } from "@/wiring";

/** Answers once the database does. */
export async function GET(): Promise<Response> {
  await house().sequelize.authenticate();
  return Response.json({ ok: true });
}
