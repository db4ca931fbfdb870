import type { ButtonHTMLAttributes, InputHTMLAttributes, ReactNode, SelectHTMLAttributes } from 'react';
import { useId } from 'react';
import { Link } from 'react-router';

type Tone = 'main' | 'plain' | 'quiet' | 'danger';
const TONES: Record<Tone, string> = {
  main: 'bg-tape text-on-tape border-tape font-semibold hover:brightness-110',
  plain: 'bg-paper text-ink border-soft hover:border-ink',
  quiet: 'bg-transparent text-ink border-transparent underline underline-offset-4 hover:border-rule',
  danger: 'bg-paper text-warn border-warn font-semibold hover:bg-ground',
};

/** What a button looks like, for a link that takes one to where something is done. */
const lookOf = (tone: Tone, floor: boolean) =>
  `${TONES[tone]} ${floor ? 'min-h-14 px-5 text-lg' : 'min-h-9 px-3 text-[0.95rem]'} inline-flex items-center justify-center gap-2 rounded-[2px] border`;

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  tone?: Tone;
  floor?: boolean;
}
export function Button({
  tone = 'plain',
  floor = false,
  className = '',
  type = 'button',
  ...rest
}: ButtonProps) {
  return (
    <button
      type={type}
      className={`${lookOf(tone, floor)} disabled:cursor-not-allowed disabled:opacity-55 ${className}`}
      {...rest}
    />
  );
}

/** A way to where the next step is done. */
export const ButtonLink = ({
  to,
  tone = 'plain',
  children,
}: {
  to: string;
  tone?: Tone;
  children: ReactNode;
}) => (
  <Link to={to} className={`${lookOf(tone, false)} no-underline`}>
    {children}
  </Link>
);

interface FieldProps {
  label: ReactNode;
  hint?: ReactNode;
  error?: string;
  children: (props: { id: string; 'aria-describedby'?: string; 'aria-invalid'?: boolean }) => ReactNode;
  className?: string;
}
/** A labelled control with its hint and its error beneath. */
export function Field({ label, hint, error, children, className = '' }: FieldProps) {
  const id = useId();
  const note = error ?? hint;
  return (
    <div className={className}>
      <label className="label mb-1 block" htmlFor={id}>
        {label}
      </label>
      {children({
        id,
        ...(note ? { 'aria-describedby': `${id}-note` } : {}),
        ...(error ? { 'aria-invalid': true } : {}),
      })}
      {note && (
        <p id={`${id}-note`} className={`mt-1 text-sm ${error ? 'font-semibold text-warn' : 'text-soft'}`}>
          {note}
        </p>
      )}
    </div>
  );
}

interface TextFieldProps extends InputHTMLAttributes<HTMLInputElement> {
  label: ReactNode;
  hint?: ReactNode;
  error?: string;
}
export function TextField({ label, hint, error, className, ...rest }: TextFieldProps) {
  return (
    <Field label={label} hint={hint} error={error} className={className}>
      {(props) => <input className="field" {...props} {...rest} />}
    </Field>
  );
}

interface SelectFieldProps extends SelectHTMLAttributes<HTMLSelectElement> {
  label: ReactNode;
  hint?: ReactNode;
  error?: string;
}
export function SelectField({ label, hint, error, className, children, ...rest }: SelectFieldProps) {
  return (
    <Field label={label} hint={hint} error={error} className={className}>
      {(props) => (
        <select className="field" {...props} {...rest}>
          {children}
        </select>
      )}
    </Field>
  );
}

export function Notice({ tone = 'plain', children }: { tone?: 'plain' | 'warn'; children: ReactNode }) {
  return (
    <div
      role={tone === 'warn' ? 'alert' : 'status'}
      className={`border-l-[6px] bg-paper px-4 py-2 ${tone === 'warn' ? 'border-warn text-warn' : 'border-tape'}`}
    >
      {children}
    </div>
  );
}

/** What is being waited for, what went wrong, or the content. */
export function Loaded<T>({
  query,
  what,
  children,
}: {
  query: { data: T | undefined; error: Error | null };
  what: string;
  children: (data: T) => ReactNode;
}) {
  if (query.data !== undefined) return <>{children(query.data)}</>;
  if (query.error) return <Notice tone="warn">{query.error.message}</Notice>;
  return <p className="p-4 text-soft">Reading {what} …</p>;
}

/** Nothing is here yet: what that means, and the button that takes the next step. */
export function Empty({
  children,
  next,
}: {
  children: ReactNode;
  next?: { to: string; what: string } | false;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-2 border-y border-dashed border-rule px-2 py-6 text-soft">
      <span>{children}</span>
      {next && (
        <ButtonLink to={next.to} tone="main">
          {next.what}
        </ButtonLink>
      )}
    </div>
  );
}
