export { HORIZON_YEARS, moneyOf } from "./money";
