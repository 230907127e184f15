export { type EpwFile, readEpw } from "./read-epw";
