import { catalogue, type Fact } from "../catalogue";

/** What the screens of field, book say. */
export const say = catalogue({
  beforeAndAfter: "Before and after",
  hasPhotosUpToMbAre: (name: string, size: string, value: number) =>
    `“${name}” has ${size}; photos up to ${value} MB are taken. Choose another, or a smaller copy.`,
  noLineKeptAt: (at: string) =>
    `No line: this is the page as it was on ${at}. What you write down waits in this browser and is sent by itself once the line is back.`,
  ofNoKnownKind: "of no known kind",
  isAPhotoIsJpegPng: (name: string, file: Fact) =>
    `“${name}” is ${file}: a photo is JPEG, PNG or WebP. Drawings and pages that can hold scripts are not taken.`,
  cantBeOpenedAsAPicture: (name: string) =>
    `“${name}” can't be opened as a picture: it is damaged, or only named like one. Choose another.`,
  thisBrowserCantMakeThePhoto: "This browser can't make the photo smaller. Send it from another one.",
  writeToTheFieldBook: "Write to the field book",
  writtenToTheFieldBook: "Written to the field book.",
  keptHereItIsSentWhen: "Kept here; it is sent when the line is back, or see the field book for why not.",
});
