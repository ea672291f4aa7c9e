/** The whole page, light or dark, with the controls that the browser draws. */
export function showMode(mode: 'light' | 'dark'): void {
  document.documentElement.classList.remove('light', 'dark')
  document.documentElement.classList.add(mode)
  document.documentElement.style.colorScheme = mode
}
