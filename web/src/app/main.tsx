import "@fontsource-variable/literata/opsz.css";
import "@fontsource-variable/literata/opsz-italic.css";
import "@fontsource-variable/atkinson-hyperlegible-next/wght.css";
import "./styles/index.css";
import { ChakraProvider } from "@chakra-ui/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router/dom";
import { router } from "./routes";
import { system } from "./theme";

const queries = new QueryClient({ defaultOptions: { queries: { retry: 1, refetchOnWindowFocus: false } } });

const root = document.getElementById("root");
if (root) {
	createRoot(root).render(
		<StrictMode>
			<ChakraProvider value={system}>
				<QueryClientProvider client={queries}>
					<RouterProvider router={router} />
				</QueryClientProvider>
			</ChakraProvider>
		</StrictMode>,
	);
}
