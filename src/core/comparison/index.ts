export { type Mistake, type MistakeCost, mistakeCost } from "./mistakes";
export { BYPASS_DROP_V, circuitsOf, type MixedModules, mixedYearOnSite, stringsNow } from "./mixed-on-site";
export { type BuildPrices, costPerKwh, type ModuleGoal, type ModulePlan, modulePlan, siteWithModule } from "./module-plan";
