/** `npm run accuracy` writes the accuracy page of the docs; with folders of plants it judges those instead. */
if (process.argv.slice(2).some((arg) => !arg.startsWith("--"))) await import("./accuracy-fleet");
else await import("./accuracy-page");

export {};
