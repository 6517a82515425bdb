import { useForm } from "react-hook-form";
import { newPasswordBody } from "../../api/requests";
import { useSetPassword } from "../data/accounts";
import { bodyResolver, Field, FormProblem, placeFaults } from "../ui/form";
import { tell } from "../ui/tell";

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
      <Field label="Today's password" id="before" error={errors.before?.message}>
        <input
          id="before"
          type="password"
          className="input"
          autoComplete="current-password"
          {...form.register("before")}
        />
      </Field>
      <Field label="New password" hint="12 letters or more" id="new-password" error={errors.password?.message}>
        <input
          id="new-password"
          type="password"
          className="input"
          autoComplete="new-password"
          {...form.register("password")}
        />
      </Field>
      <button type="submit" className="btn" disabled={set.isPending}>
        Change password
      </button>
    </form>
  );
}
