export { coverLossFrac, fillSnowCover, RELEASE_WM2_PER_K, SLIDE_PER_HOUR, type SlidingSnow } from "./marion";
export { CLEARED_AFTER_HOURS, lying, type SnowRecord, type Storm, storms } from "./storms";
export { type MonthlySnow, type SnowClimate, townsendPowers } from "./townsend";
