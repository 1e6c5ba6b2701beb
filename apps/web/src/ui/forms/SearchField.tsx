import { Search } from "lucide-react";

interface SearchFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (words: string) => void;
  readonly className?: string;
}

/** Words that a list is narrowed by while they are typed. */
export function SearchField({ label, value, onChange, className = "w-40" }: SearchFieldProps) {
  return (
    <label className="control inline-flex items-center gap-2 max-md:w-full">
      <Search size={15} aria-hidden />
      <span className="sr-only">{label}</span>
      <input
        type="search"
        value={value}
        placeholder="Search"
        maxLength={200}
        className={`bg-transparent outline-none ${className}`}
        onChange={(e) => onChange(e.target.value)}
      />
    </label>
  );
}
