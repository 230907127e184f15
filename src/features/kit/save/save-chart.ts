/** Gives the browser a file to keep. */
export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

export const saveText = (text: string, name: string, type: string): void =>
  saveBlob(new Blob([text], { type: `${type};charset=utf-8` }), name);

/** The chart alone: colours that come from the page's tokens are written out, hatches are taken along. */
function standalone(chart: SVGSVGElement): string {
  const copy = chart.cloneNode(true) as SVGSVGElement;
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  const hatches = document.querySelector("svg defs");
  if (hatches && copy.innerHTML.includes("url(#hatch-")) copy.prepend(hatches.cloneNode(true));
  const tokens = getComputedStyle(document.documentElement);
  const text = new XMLSerializer().serializeToString(copy);
  return text.replace(/var\((--[\w-]+)\)/g, (_, token: string) => tokens.getPropertyValue(token).trim().replaceAll('"', "'"));
}

export const saveSvg = (chart: SVGSVGElement, name: string): void => saveText(standalone(chart), `${name}.svg`, "image/svg+xml");

/** Draws the chart at twice its size on paper. */
export function savePng(chart: SVGSVGElement, name: string): void {
  const { width, height } = chart.getBoundingClientRect();
  const image = new Image();
  image.onload = () => {
    const canvas = document.createElement("canvas");
    canvas.width = width * 2;
    canvas.height = height * 2;
    const context = canvas.getContext("2d");
    if (!context) return;
    context.fillStyle = getComputedStyle(document.documentElement).getPropertyValue("--paper");
    context.fillRect(0, 0, canvas.width, canvas.height);
    context.drawImage(image, 0, 0, canvas.width, canvas.height);
    canvas.toBlob((blob) => blob && saveBlob(blob, `${name}.png`));
  };
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(standalone(chart))}`;
}
