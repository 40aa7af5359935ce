/** Nothing but the drawing under its name, as large as the paper; the page is back once it is printed. */
export function printAlone(picture: SVGSVGElement, name: string) {
  const sheet = document.createElement('section')
  sheet.className = 'printed-alone'
  const title = document.createElement('h1')
  title.textContent = name
  sheet.append(title, picture.cloneNode(true))
  document.body.append(sheet)
  document.documentElement.classList.add('prints-one')
  window.addEventListener(
    'afterprint',
    () => {
      sheet.remove()
      document.documentElement.classList.remove('prints-one')
    },
    { once: true },
  )
  window.print()
}
