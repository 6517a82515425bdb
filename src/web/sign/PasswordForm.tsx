import { useForm } from "react-hook-form";
import { newPasswordBody } from "../../api/requests";
import { useSetPassword } from "../data/accounts";
import { bodyResolver, FormProblem, placeFaults } from "../ui/form";
import { tell } from "../ui/tell";
import { PasswordField } from "./PasswordField";

/** Another password; every other browser is signed out. */
export function PasswordForm() {
  const set = useSetPassword();
  const form = useForm({
    defaultValues: { before: "", password: "" },
    resolver: bodyResolver((f: { before: string; password: string }) => f, newPasswordBody),
  });
  const { errors } = form.formState;
  return (
    <form
      className="space-y-2"
      onSubmit={form.handleSubmit((f) =>
        set.mutate(f, {
          onSuccess: () => {
            form.reset();
            tell("The password is changed. Other browsers are signed out.");
          },
        }),
      )}
    >
      <h2 className="sec-h">Password</h2>
      <FormProblem text={set.error ? placeFaults(set.error, ["before", "password"], form.setError) : ""} />
      <PasswordField
        id="before"
        label="Today's password"
        error={errors.before?.message}
        field={form.register("before")}
      />
      <PasswordField
        id="new-password"
        label="New password"
        fresh
        error={errors.password?.message}
        field={form.register("password")}
      />
      <button type="submit" className="btn" disabled={set.isPending}>
        Change password
      </button>
    </form>
  );
}
