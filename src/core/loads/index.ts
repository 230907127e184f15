export {
  type Appliance,
  type BatteryTerms,
  LOAD_DOUBTS,
  type LoadDoubt,
  type LoadInput,
  type LoadMonth,
  type LoadReport,
  loadDoubts,
  loadReport,
  type NamedDoubt,
} from "./loads";
