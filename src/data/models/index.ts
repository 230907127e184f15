import type { Sequelize } from "sequelize";
import { type AcceptanceModels, defineAcceptance } from "./acceptance";
import { type AttributionModels, defineAttribution } from "./attribution";
import { type BillModels, defineBills } from "./bills";
import { type BooksModels, defineBooks } from "./books";
import { defineFeeds, type FeedsModels } from "./feeds";
import { defineFieldBook, type FieldBookModels } from "./field-book";
import { defineKeeping, type KeepingModels } from "./keeping";
import { defineReadings, type ReadingsModels } from "./readings";

export interface Models
  extends AcceptanceModels,
    AttributionModels,
    BillModels,
    BooksModels,
    FeedsModels,
    FieldBookModels,
    KeepingModels,
    ReadingsModels {}

/** Defines the models on a connection. */
export const defineModels = (sequelize: Sequelize): Models => ({
  ...defineBooks(sequelize),
  ...defineReadings(sequelize),
  ...defineFeeds(sequelize),
  ...defineKeeping(sequelize),
  ...defineAttribution(sequelize),
  ...defineFieldBook(sequelize),
  ...defineBills(sequelize),
  ...defineAcceptance(sequelize),
});

export type { KeptTestRow } from "./acceptance";
export type { AttributionRow, AttributionRunRow } from "./attribution";
export type { BillRow } from "./bills";
export type { BookRow, StandingRow, VariantRow } from "./books";
export type { FeedRow } from "./feeds";
export type { EntryRow, PhotoRow } from "./field-book";
export type { AuditRow, ClosedMonthRow, TransferRow } from "./keeping";
export type { BatchRow, FindingDecisionRow, SeriesRow } from "./readings";
