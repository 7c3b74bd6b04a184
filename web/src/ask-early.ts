// Imported before all else: what it asks for is under way while the rest of the page is read.
import { askEarly } from './data/early.ts';

askEarly(location.pathname);
