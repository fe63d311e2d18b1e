/** What is said on a walk and belongs in no logbook: greetings, jokes, asides. It is set aside, never lost. */

const CHATTER =
  /\b(?:good (?:morning|afternoon|evening)|morning all|hello|hi there|ha ha|haha|cheers|never mind|where was i|let's see|lets see|hang on|hold on|one sec|give me a (?:sec|minute)|what was i saying|kettle|cup of tea|coffee|biscuits?|lunch|dinner|football|cricket|footy|the match|the game last night|weather|raining again|bloody hell|good boy|that dog|mind the dog|get down|the radio|turn that down|turn that off|phone's ringing|who's that|sorry about that|excuse me|as i was saying|don't laugh|no laughing|you know what i mean|my knees|my back|weekend|holiday|birthday|is this thing on|can you hear|testing testing|that's the lot|thats the lot|that's it|that's all|thats all|end of|bye|see you|thank you|thanks|starting (?:at|with|from)|let's (?:run|go|start|crack)|lets (?:run|go|start|crack)|has any(?:body|one) seen|any(?:body|one) seen|hot in here|cold in here|freezing in here|smoko|looks a treat|looking good|isn't it|isn’t it|that's us|thats us|tea|nearly done|here we go|last lap|call it a day|whatever you call it|is the lot|stoked|that radio|done for (?:today|the day)|the other thing|quick lap)\b/i;

/** What a thing said is about, when it is about a car after all. */
const SHOP =
  /\b(?:weld|paint|primer|brake|engine|gearbox|axle|door|seat|glass|hood|wing|sill|panel|bolt|nut|screw|bearing|seal|hose|pipe|wire|wiring|lamp|light|wheel|tyre|tire|tank|pump|filter|gasket|valve|piston|clutch|cable|spring|frame|chassis|trim|leather|carpet|chrome|part|parts|vendor|customer|invoice|estimate|hours?|letter|photo|lift|bay|booth)s?\b/i;

/** Words that nobody says of work: it is chatter; sure where nothing of a car is in it. */
export function chatterIn(text: string): 'sure' | 'perhaps' | null {
  if (!CHATTER.test(text)) return null;
  return SHOP.test(text) ? 'perhaps' : 'sure';
}
