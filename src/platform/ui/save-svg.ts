/** A drawing of the page as a picture: with the colours that it has there, on the ground that it stands on. */
const SCALE = 2;
const LOOKS = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'font-size',
  'font-family',
  'font-weight',
] as const;

export async function saveSvg(svg: SVGSVGElement, name: string): Promise<void> {
  const { width, height } = svg.getBoundingClientRect();
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(withLooks(svg, width, height))}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  canvas.width = width * SCALE;
  canvas.height = height * SCALE;
  const drawing = canvas.getContext('2d');
  if (!drawing) return;
  drawing.fillStyle = getComputedStyle(document.body).backgroundColor;
  drawing.fillRect(0, 0, canvas.width, canvas.height);
  drawing.drawImage(image, 0, 0, canvas.width, canvas.height);
  const link = document.createElement('a');
  link.href = canvas.toDataURL('image/png');
  link.download = `${name.replaceAll(/[\\/:*?"<>|]/g, ' ')}.png`;
  link.click();
}

/** What the page's style sheet gives each part is written into it: alone it has no style sheet. */
function withLooks(svg: SVGSVGElement, width: number, height: number): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const [own, copied] = [svg, copy].map((root) => [root, ...root.querySelectorAll('*')]) as [
    Element[],
    Element[],
  ];
  own.forEach((part, at) => {
    const looks = getComputedStyle(part);
    for (const look of LOOKS) copied[at]!.setAttribute(look, looks.getPropertyValue(look));
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(width));
  copy.setAttribute('height', String(height));
  return new XMLSerializer().serializeToString(copy);
}
