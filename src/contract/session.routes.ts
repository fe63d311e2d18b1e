/** Routes of session. */
import type {
  AccountEvent,
  AccountView,
  PasswordChangeDto,
  PasswordForgotDto,
  PasswordSetDto,
  RecoveryCodes,
  SecondFactorBegun,
  SecondFactorDto,
  SecondFactorOffDto,
} from './account.ts';
import type { SessionView, ShopCreateDto, SignInDemoDto, SignInDto } from './session.ts';
import { EVERYBODY } from './access.ts';
import { del, get, post, put } from './route.ts';

const accountRead = get('/api/account', EVERYBODY).answers<AccountView>().about('account');

export const sessionRoutes = {
  sessionRead: get('/api/session', 'anyone').answers<SessionView>(),
  signIn: post('/api/session', 'anyone').takes<SignInDto>().answers<SessionView>(),
  signInDemo: post('/api/session/demo', 'anyone').takes<SignInDemoDto>().answers<SessionView>(),
  signOut: del('/api/session', 'anyone').answers<SessionView>(),
  accountRead,
  accountEvents: get('/api/account/events', ['owner']).answers<{ events: AccountEvent[] }>().about('account'),
  passwordForgot: post('/api/account/forgot', 'anyone')
    .takes<PasswordForgotDto>()
    .answers<{ asked: boolean }>(),
  passwordSet: post('/api/account/password', 'anyone').takes<PasswordSetDto>().answers<{ email: string }>(),
  passwordChange: put('/api/account/password', EVERYBODY)
    .takes<PasswordChangeDto>()
    .answersAs(accountRead)
    .about('account'),
  sessionEnd: del('/api/account/sessions/:session', EVERYBODY).answersAs(accountRead).about('account'),
  secondFactorBegin: post('/api/account/second-factor', EVERYBODY).answers<SecondFactorBegun>(),
  secondFactorConfirm: put('/api/account/second-factor', EVERYBODY)
    .takes<SecondFactorDto>()
    .answers<RecoveryCodes>()
    .about('account'),
  secondFactorOff: post('/api/account/second-factor/off', EVERYBODY)
    .takes<SecondFactorOffDto>()
    .answersAs(accountRead)
    .about('account'),
  shopCreate: post('/api/shop', 'anyone').takes<ShopCreateDto>().answers<SessionView>(),
} as const;
