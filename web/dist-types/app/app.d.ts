export declare const App: () => import('react').JSX.Element
