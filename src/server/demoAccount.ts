/** The demo account: a made-up person in a made-up yard, printed by the start command and offered on the sign-in page. */
export const DEMO_EMAIL = 'imke@wherry-lane.example'
export const DEMO_PASSWORD = 'lakeside-demo'
