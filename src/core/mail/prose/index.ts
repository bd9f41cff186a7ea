export { budgetIn } from './budget';
export { introducedName, onBehalfOf, reportedName, withWhom } from './people';
export { permissionsIn } from './permissions';
export { addressIn, listingIdIn, numberOfListing, priceAsked } from './property';
export { rolesChosen, rolesInProse, speaksOfAWish } from './roles';
export { roomsIn } from './rooms';
export { wantsIn } from './wants';
