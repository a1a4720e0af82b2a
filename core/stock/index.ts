export { shoppingList, stockLeftG, type ToBuy } from './stock.js';
