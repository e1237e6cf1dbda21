/** Words of messages: that something was done, went wrong, or is wanted. */
export const messageWords =
  /\b(?:saved|booked|sent|added|removed|deleted|cancell?ed|copied|updated|uploaded|moved|restored|archived|published|submitted|received|logged (?:in|out)|signed (?:in|out)|failed|error|errors|invalid|required|success|successful|successfully|done|completed?|finished|thank you|thanks|could not|couldn't|cannot|can't|not (?:found|saved|sent|valid)|went wrong|expired|try again)\b/i;
