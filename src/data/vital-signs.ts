import { QueryTypes, type Sequelize } from "sequelize";

/** What a long-lived process or a chore last said of itself. */
export interface VitalSign {
  readonly seenAt: Date;
  readonly facts: Readonly<Record<string, unknown>>;
}

export interface VitalSigns {
  seen(name: string, facts?: Readonly<Record<string, unknown>>): Promise<void>;
  of(name: string): Promise<VitalSign | null>;
}

/** Signs of life in PostgreSQL, one row a name. Raw SQL: the database's clock is the only one that all processes share. */
export const vitalSigns = (sequelize: Sequelize): VitalSigns => ({
  async seen(name, facts = {}) {
    await sequelize.query(
      "insert into vital_signs (name, facts) values (:name, :facts) on conflict (name) do update set seen_at = now(), facts = excluded.facts",
      { replacements: { name, facts: JSON.stringify(facts) } },
    );
  },
  async of(name) {
    const [row] = await sequelize.query<{ seen_at: Date; facts: Record<string, unknown> }>(
      "select seen_at, facts from vital_signs where name = :name",
      { replacements: { name }, type: QueryTypes.SELECT },
    );
    return row ? { seenAt: row.seen_at, facts: row.facts } : null;
  },
});
