/** Sign-in of the made-up workshop. It exists only together with the demo data. */
export const DEMO_SIGN_IN = { signInName: 'demo', password: 'trace before colour' }
