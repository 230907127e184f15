export type { VariantStore } from "./ports";
export { keepVariant, removeVariant } from "./variants";
