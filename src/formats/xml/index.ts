export { BrokenXml, type Element, readXml, type XmlLimits } from "./read-xml";
