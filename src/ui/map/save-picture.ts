/** The drawn picture as a file of its own: colours and fonts written out, nothing referred to. */
import { downloadBlob } from '../parts/download'

const FONT = "'Atkinson Hyperlegible Next', 'Segoe UI', 'DejaVu Sans', sans-serif"
/** Pixels of the PNG for one of the picture. */
const SCALE = 2

/** The picture as SVG text that stands alone. */
export function standAlone(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement
  const style = getComputedStyle(svg)
  for (const element of [copy, ...copy.querySelectorAll('*')]) {
    for (const name of ['fill', 'stroke']) {
      const token = /^var\((--[\w-]+)\)$/.exec(element.getAttribute(name) ?? '')?.[1]
      if (token) element.setAttribute(name, style.getPropertyValue(token).trim())
    }
    for (const name of ['tabindex', 'role', 'class', 'data-record', 'data-stone']) element.removeAttribute(name)
  }
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('font-family', FONT)
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
  paper.setAttribute('width', '100%')
  paper.setAttribute('height', '100%')
  paper.setAttribute('fill', style.getPropertyValue('--paper').trim())
  copy.prepend(paper)
  return new XMLSerializer().serializeToString(copy)
}

/** Saves the picture under a name, as SVG or as PNG. */
export async function savePicture(svg: SVGSVGElement, name: string, format: 'svg' | 'png'): Promise<void> {
  const text = standAlone(svg)
  const blob =
    format === 'svg' ? new Blob([text], { type: 'image/svg+xml' }) : await asPng(text, svg.width.baseVal.value, svg.height.baseVal.value)
  downloadBlob(blob, `${name.replace(/[^\w -]+/g, '')}.${format}`)
}

async function asPng(text: string, width: number, height: number): Promise<Blob> {
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = width * SCALE
  canvas.height = height * SCALE
  const context = canvas.getContext('2d')
  context?.scale(SCALE, SCALE)
  context?.drawImage(image, 0, 0, width, height)
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('the picture could not be drawn'))), 'image/png'),
  )
}
