import { create } from 'qrcode'

/** A code that a telephone reads (ISO/IEC 18004, error correction M), as the path of a square picture with its quiet margin. */
export function qrPath(text: string): { readonly path: string; readonly size: number } {
  const { modules } = create(text, { errorCorrectionLevel: 'M' })
  const margin = 2
  const rows = Array.from({ length: modules.size }, (_, y) =>
    Array.from({ length: modules.size }, (_unused, x) =>
      modules.get(y, x) ? `M${x + margin} ${y + margin}h1v1h-1z` : '',
    ).join(''),
  )
  return { path: rows.join(''), size: modules.size + 2 * margin }
}
