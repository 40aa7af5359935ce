/** The drawing as a file of its own: the colours it has on screen are written into it. */
export function svgText(picture: SVGSVGElement): string {
  const copy = picture.cloneNode(true) as SVGSVGElement
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  const from = [picture, ...picture.querySelectorAll('*')]
  const to = [copy, ...copy.querySelectorAll('*')]
  from.forEach((element, i) => {
    const style = getComputedStyle(element)
    const kept = ['fill', 'stroke', 'stroke-width', 'stroke-dasharray', 'font-size', 'font-weight', 'text-anchor']
    const target = to[i]
    for (const name of ['class', 'tabindex', 'role', 'style']) target?.removeAttribute(name)
    for (const a of [...(target?.attributes ?? [])]) if (a.name.startsWith('data-v-')) target?.removeAttribute(a.name)
    for (const name of kept) {
      const value = style.getPropertyValue(name)
      if ((value && value !== 'none') || name === 'fill') target?.setAttribute(name, value || 'none')
    }
  })
  copy.setAttribute('font-family', 'sans-serif')
  return new XMLSerializer().serializeToString(copy)
}

/** The same as it is on paper, whatever the screen has: ink on white. */
export function svgOnPaper(picture: SVGSVGElement): string {
  const root = document.documentElement
  const night = root.classList.contains('dark')
  // Back before anything is painted: styles are reckoned in between, and nobody sees it.
  root.classList.remove('dark')
  try {
    return svgText(picture)
  } finally {
    root.classList.toggle('dark', night)
  }
}

/** The same as a picture of points, twice as fine as it is drawn. */
export async function png(picture: SVGSVGElement): Promise<Blob> {
  const { width, height } = picture.viewBox.baseVal
  const image = new Image(2 * width, 2 * height)
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svgText(picture))}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = image.width
  canvas.height = image.height
  const draw = canvas.getContext('2d')
  if (draw) {
    draw.fillStyle = getComputedStyle(document.body).backgroundColor
    draw.fillRect(0, 0, canvas.width, canvas.height)
    draw.drawImage(image, 0, 0, canvas.width, canvas.height)
  }
  return new Promise((resolve, reject) => canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('no picture'))), 'image/png'))
}

export function download(name: string, type: string, text: string | Blob) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}
