/** The drawn picture as a file of its own: colours and fonts written out, nothing referred to. */
import fontFile from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url'
import { downloadBlob } from '../download'

const FONT = "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', 'Segoe UI', 'DejaVu Sans', sans-serif"
/** Pixels of the PNG for one of the picture. */
const SCALE = 2

/** The font as a rule of style that carries the file; empty where it does not come, and the next best font is taken. */
async function fontRule(): Promise<string> {
  try {
    const bytes = new Uint8Array(await (await fetch(fontFile)).arrayBuffer())
    const text = bytes.reduce((all, byte) => all + String.fromCharCode(byte), '')
    const source = `url(data:font/woff2;base64,${btoa(text)}) format("woff2")`
    return `@font-face{font-family:"Atkinson Hyperlegible Next Variable";font-weight:200 800;src:${source}}`
  } catch {
    return ''
  }
}

/** What stands in the page's styles, and is written onto the drawing. */
const STYLED = ['fill', 'stroke', 'font-size', 'font-weight'] as const

/** The picture as SVG text that stands alone: colours, sizes and the font written into it. */
export async function standAlone(svg: SVGSVGElement): Promise<string> {
  const copy = svg.cloneNode(true) as SVGSVGElement
  const own = [svg, ...svg.querySelectorAll('*')]
  for (const [n, element] of [copy, ...copy.querySelectorAll('*')].entries()) {
    const style = getComputedStyle(own[n] as Element)
    for (const name of STYLED) if (element !== copy) element.setAttribute(name, style.getPropertyValue(name))
    for (const name of ['tabindex', 'role', 'class', 'data-record', 'data-mark', 'data-tip']) element.removeAttribute(name)
  }
  const style = getComputedStyle(svg)
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('font-family', FONT)
  const paper = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
  paper.setAttribute('width', '100%')
  paper.setAttribute('height', '100%')
  paper.setAttribute('fill', style.getPropertyValue('--paper').trim())
  const rule = document.createElementNS('http://www.w3.org/2000/svg', 'style')
  rule.textContent = await fontRule()
  copy.prepend(rule, paper)
  return new XMLSerializer().serializeToString(copy)
}

/** Saves the picture under a name, as SVG or as PNG. */
export async function savePicture(svg: SVGSVGElement, name: string, format: 'svg' | 'png'): Promise<void> {
  const text = await standAlone(svg)
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
