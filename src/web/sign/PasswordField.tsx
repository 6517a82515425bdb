import type { UseFormRegisterReturn } from "react-hook-form";
import { Field } from "../ui/form";

interface Props {
  id: string;
  label: string;
  /** One that is chosen now, and not the one that was chosen before. */
  fresh?: boolean;
  error: string | undefined;
  field: UseFormRegisterReturn;
  className?: string;
}

export const PasswordField = ({ id, label, fresh = false, error, field, className = "input" }: Props) => (
  <Field label={label} {...(fresh ? { hint: "12 letters or more" } : {})} id={id} error={error}>
    <input
      id={id}
      type="password"
      className={className}
      autoComplete={fresh ? "new-password" : "current-password"}
      {...field}
    />
  </Field>
);
