/** Ageing is a finding when it is surely faster than planned by this share a year: less costs a plant nothing it would notice in ten years. */
export const AGEING_BEYOND = 0.0015;
export const SURE_AGEING = 0.95;
