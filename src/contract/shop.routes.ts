/** Routes of shop. */
import type { KnownView } from './builds.ts';
import type {
  AbsencePutDto,
  InvitationView,
  PersonPutDto,
  PlacePutDto,
  ShopListsView,
  VendorPutDto,
} from './shop.ts';
import { DESK, EVERYBODY } from './access.ts';
import { get, post, put } from './route.ts';

const shopLists = get('/api/shop/lists', DESK).of('every build').answers<ShopListsView>().about('lists');

export const shopRoutes = {
  shopLists,
  personPut: put('/api/shop/people/:personId', ['owner'])
    .takes<PersonPutDto>()
    .answersAs(shopLists)
    .about('lists'),
  /** A link by which somebody sets their password. */
  personInvite: post('/api/shop/people/:personId/invite', ['owner']).answers<InvitationView>(),
  placePut: put('/api/shop/places/:placeId', DESK).takes<PlacePutDto>().answersAs(shopLists).about('lists'),
  vendorPut: put('/api/shop/vendors/:vendorId', DESK)
    .takes<VendorPutDto>()
    .answersAs(shopLists)
    .about('lists'),
  known: get('/api/shop/known', EVERYBODY).of('every build').answers<KnownView>().about('lists'),
  absencePut: put('/api/shop/absences/:absenceId', DESK)
    .takes<AbsencePutDto>()
    .answersAs(shopLists)
    .about('lists'),
} as const;
