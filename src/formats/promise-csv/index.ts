export { MONTH_NAMES, monthOf, type PromiseFile, readPromise } from "./read-promise";
