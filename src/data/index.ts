export { bookRepository } from "./book-repository";
export { connect } from "./connection";
export { importRepository } from "./import-repository";
export { migrate, unmigrate } from "./migrate";
export { defineModels, type Models } from "./models";
export { readingRepository } from "./reading-repository";
export { stagingFolder } from "./staging";
export { variantRepository } from "./variant-repository";
