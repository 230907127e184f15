/** The order in which a plant is shut down and started, as a reminder; the maker's own procedure goes before it. */
export const SHUTDOWN = [
  "Tell whoever is on site. Read the display and note it: you will want it afterwards.",
  "AC side first: stop the inverter by its own switch or menu, then open the AC isolator or breaker.",
  "Wait until the DC current on the display is zero. Never open a DC isolator or connector under load: the arc does not go out by itself.",
  "Open the DC isolators, all of them.",
  "Wait for the capacitors to discharge: the time stands on the inverter, often five to fifteen minutes.",
  "Lock and tag the isolators.",
  "Prove dead with a tester that was itself proved just before, on every pole and to earth. The strings' own leads stay live in daylight.",
] as const;
export const STARTUP = [
  "All covers closed, all connectors seated, nobody at the terminals.",
  "Close the DC isolators.",
  "Wait until the display shows DC voltage and no earth fault.",
  "Close the AC isolator or breaker; the inverter watches the grid for some minutes before it feeds in.",
  "Compare DC, AC and the state lights with what was noted before.",
] as const;
