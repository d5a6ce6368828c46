import { lazy, Suspense } from "react";
import { createBrowserRouter } from "react-router";
import { AboutPage } from "../features/about";
import { DeliveriesPage } from "../features/deliveries";
import { DeskPage } from "../features/desk";
import { HostsPage, WorkshopPage } from "../features/hosts";
import { ShelfPage } from "../features/shelf";
import { MatchPage, VoicesPage } from "../features/voices";
import { Shell } from "./Shell";

const PromptBookPage = lazy(() => import("../features/promptbook").then((m) => ({ default: m.PromptBookPage })));

export const router = createBrowserRouter([
	{
		element: <Shell />,
		children: [
			{ index: true, element: <DeskPage /> },
			{ path: "hosts", element: <HostsPage /> },
			{ path: "hosts/workshop", element: <WorkshopPage /> },
			{ path: "hosts/workshop/:hostId", element: <WorkshopPage /> },
			{ path: "voices", element: <VoicesPage /> },
			{ path: "voices/match", element: <MatchPage /> },
			{ path: "voices/match/:matchId", element: <MatchPage /> },
			{ path: "shelf", element: <ShelfPage /> },
			{ path: "deliveries", element: <DeliveriesPage /> },
			{ path: "about", element: <AboutPage /> },
			{
				path: "productions/:productionId",
				element: (
					<Suspense fallback={<p className="waiting">Opening the prompt book…</p>}>
						<PromptBookPage />
					</Suspense>
				),
			},
			{ path: "*", element: <p className="waiting">There is nothing at this address. The Desk has everything.</p> },
		],
	},
]);
