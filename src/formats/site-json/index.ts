export { parseSite, parseSiteText, type SiteReading } from "./parse-site";
