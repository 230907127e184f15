export { type BuildPrices, costPerKwh, type ModuleGoal, type ModulePlan, modulePlan, siteWithModule } from "./module-plan";
