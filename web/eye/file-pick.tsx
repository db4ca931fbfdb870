/** One file of the device; the same one may be picked again. */
export function FilePick({
  label,
  accept,
  onFile,
}: {
  label: string;
  accept: string;
  onFile: (f: File) => void;
}) {
  return (
    <label className="block">
      <span className="label">{label}</span>
      <input
        type="file"
        accept={accept}
        className="field mt-1"
        onChange={(e) => {
          const f = e.target.files?.[0];
          e.target.value = '';
          if (f) onFile(f);
        }}
      />
    </label>
  );
}
