import type { createBrowserRouter } from 'react-router';

let going = false;

/**
 * Follows the router itself: what is drawn of it comes late on a slow device, and a press in between would be taken
 * back.
 */
export const follow = (router: ReturnType<typeof createBrowserRouter>): void => {
  router.subscribe(({ navigation }) => {
    going = navigation.state !== 'idle';
  });
};

/** Somebody is on the way to another page at this moment. */
export const isGoing = (): boolean => going;
