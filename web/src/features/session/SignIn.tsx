import { Input } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { sentence } from "../../shared/api/client";
import { useSignIn } from "../../shared/session/useSession";
import { MainButton } from "../../shared/ui/controls";

export function SignIn() {
	const [username, setUsername] = useState("");
	const [password, setPassword] = useState("");
	const signIn = useSignIn();
	const submit = (event: FormEvent) => {
		event.preventDefault();
		signIn.mutate({ username, password });
	};
	return (
		<main className="sign-in">
			<form className="page" onSubmit={submit}>
				<h1>Dear Host,</h1>
				<p className="letter">this is</p>
				<label>
					<span className="label">Name</span>
					<Input autoFocus autoComplete="username" value={username} onChange={(e) => setUsername(e.target.value)} />
				</label>
				<label>
					<span className="label">Password</span>
					<Input
						type="password"
						autoComplete="current-password"
						value={password}
						onChange={(e) => setPassword(e.target.value)}
					/>
				</label>
				{signIn.isError && (
					<p role="alert" className="problem">
						{sentence(signIn.error)}
					</p>
				)}
				<MainButton type="submit" disabled={signIn.isPending || !username || !password}>
					Sign in
				</MainButton>
				<p className="small quiet">Scripts, voices and films stay on this machine.</p>
			</form>
		</main>
	);
}
