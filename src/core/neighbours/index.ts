export { CELLS, HOURS } from "./bins";
export { type DayOfModules, dayOfModules, type ModuleDetail, moduleDetail } from "./detail";
export { LEAST_MODULES, ODD_CAUSES, type OddCause, type OddModule, type PeerLoss } from "./odd-modules";
export { hourlyColumn, hourlyReadings, type ModuleColumn, type ModuleReadings, onOneAxis } from "./readings";
export { type ModuleAmongPeers, type NeighbourReport, neighbourReport, type OddInReport } from "./report";
