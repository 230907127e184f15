export { type PromiseFile, readPromise } from "./read-promise";
