import { useEffect, useState } from "react";

/** `value` once it has not changed for `milliseconds`; the first one at once. */
export function useSettled<T>(value: T, milliseconds: number): T {
	const [settled, setSettled] = useState(value);
	useEffect(() => {
		const timer = setTimeout(() => setSettled(value), milliseconds);
		return () => clearTimeout(timer);
	}, [value, milliseconds]);
	return settled;
}
