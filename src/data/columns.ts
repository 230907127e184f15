import type { UpsertOptions } from "sequelize";

/** Columns of a unique key by their names in the table, as the driver wants them: its types ask for the model's names. */
export const columns = <Row>(...names: readonly string[]): NonNullable<UpsertOptions<Row>["conflictFields"]> =>
  names as NonNullable<UpsertOptions<Row>["conflictFields"]>;
