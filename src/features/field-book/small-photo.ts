import { MOST_ORIGINAL_BYTES, PHOTO_TYPES } from "@/contracts/field-book";
import { say } from "@/wording/screens/field-book";

const LONGEST_PX = 1600;
const QUALITY = 0.82;

/** A photo as it is sent, or why it can't be. */
export type SmallPhoto = { readonly photo: Blob } | { readonly problem: string };

/** Makes a photo small on the phone itself, so that a weak line carries it; what is no photo is said to be none. */
export async function smallPhoto(file: File): Promise<SmallPhoto> {
  const size = `${(file.size / 1024 / 1024).toFixed(0)} MB`;
  if (file.size > MOST_ORIGINAL_BYTES)
    return {
      problem: say.hasPhotosUpToMbAre(file.name, size, MOST_ORIGINAL_BYTES / 1024 / 1024),
    };
  if (!(PHOTO_TYPES as readonly string[]).includes(file.type))
    return {
      problem: say.isAPhotoIsJpegPng(file.name, file.type || say.ofNoKnownKind),
    };
  const image = await createImageBitmap(file).catch(() => null);
  if (!image) return { problem: say.cantBeOpenedAsAPicture(file.name) };
  const scale = Math.min(1, LONGEST_PX / Math.max(image.width, image.height));
  const canvas = document.createElement("canvas");
  canvas.width = Math.round(image.width * scale);
  canvas.height = Math.round(image.height * scale);
  canvas.getContext("2d")?.drawImage(image, 0, 0, canvas.width, canvas.height);
  const photo = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, "image/jpeg", QUALITY));
  return photo ? { photo } : { problem: say.thisBrowserCantMakeThePhoto };
}
