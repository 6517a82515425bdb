interface Props<T extends string> {
  name: string;
  options: readonly (readonly [T, string])[];
  value: T;
  onChange: (value: T) => void;
}

/** One of a few: buttons in a row, the chosen one dark. */
export function Segments<T extends string>({ name, options, value, onChange }: Props<T>) {
  return (
    <fieldset className="ml-1 inline-flex h-8 flex-none max-[700px]:ml-0 max-[700px]:h-11 overflow-hidden rounded-[3px] border border-edge bg-panel">
      <legend className="sr-only">{name}</legend>
      {options.map(([key, words]) => (
        <button
          key={key}
          type="button"
          aria-pressed={value === key}
          onClick={() => onChange(key)}
          className={`border-r border-hair px-[11px] leading-[30px] font-medium last:border-r-0 max-[700px]:leading-[42px] ${value === key ? "bg-ink text-panel" : "text-ink2"}`}
        >
          {words}
        </button>
      ))}
    </fieldset>
  );
}
