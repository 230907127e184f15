import sharp from "sharp";
import type { PhotoCleaner } from "@/usecases/field-book";

const LONGEST_PX = 1600;
const MOST_PIXELS = 80_000_000;
const QUALITY = 80;

const PHOTO_FORMATS = new Set(["jpeg", "png", "webp"]);

/**
 * Decodes a photo and writes its pixels anew as JPEG, upright and at most 1,600 pixels long: places, scripts and whatever else the file
 * carried stay behind. Other formats, SVG among them, are no photos.
 */
export const photoCleaner: PhotoCleaner = async (bytes) => {
  try {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: "error" });
    const { format } = await image.metadata();
    if (!PHOTO_FORMATS.has(format)) return null;
    const { data, info } = await image
      .rotate()
      .resize({ width: LONGEST_PX, height: LONGEST_PX, fit: "inside", withoutEnlargement: true })
      .flatten({ background: "#ffffff" })
      .jpeg({ quality: QUALITY })
      .toBuffer({ resolveWithObject: true });
    return { bytes: new Uint8Array(data), widthPx: info.width, heightPx: info.height };
  } catch {
    // What can't be decoded is no photo; the caller says so.
    return null;
  }
};
