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
} from "./loads";
