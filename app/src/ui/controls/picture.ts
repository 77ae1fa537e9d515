export interface SvgText {
  readonly text: string;
  readonly width: number;
  readonly height: number;
}

/** So many dots to a point: sharp on paper. */
const dots = 2;

/** A drawing of the page as a file of its own, on the page's ground. */
export function svgOf(drawn: SVGSVGElement, ground: string): SvgText {
  const copy = drawn.cloneNode(true) as SVGSVGElement;
  const { width, height } = drawn.getBoundingClientRect();
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('viewBox', `0 0 ${width} ${height}`);
  const back = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  for (const [name, value] of Object.entries({ width: '100%', height: '100%', fill: ground }))
    back.setAttribute(name, value);
  copy.prepend(back);
  return { text: new XMLSerializer().serializeToString(copy), width, height };
}

/** The same as dots. */
export async function pngOf({ text, width, height }: SvgText): Promise<Blob> {
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`;
  await image.decode();
  const canvas = Object.assign(document.createElement('canvas'), {
    width: width * dots,
    height: height * dots,
  });
  canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) => {
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png');
  });
}
