export { fillKimber } from "./kimber";
