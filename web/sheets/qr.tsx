import QRCode from 'qrcode';

/** A QR code as one path, black on white with the quiet zone of four modules that ISO/IEC 18004 asks for. */
export function Qr({ text, sizeMm, label }: { text: string; sizeMm: number; label: string }) {
  const { size, data } = QRCode.create(text, { errorCorrectionLevel: 'M' }).modules;
  let path = '';
  for (let y = 0; y < size; y++) {
    for (let x = 0; x < size; x++) if (data[y * size + x]) path += `M${x} ${y}h1v1h-1z`;
  }
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`-4 -4 ${size + 8} ${size + 8}`}
      style={{ width: `${sizeMm}mm`, height: `${sizeMm}mm`, flex: 'none' }}
      shapeRendering="crispEdges"
    >
      <rect x={-4} y={-4} width={size + 8} height={size + 8} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  );
}
