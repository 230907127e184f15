export { type CloudlessReading, readCloudless } from "./read";
