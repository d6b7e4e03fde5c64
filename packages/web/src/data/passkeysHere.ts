/** Whether this browser can use passkeys at this address: yes, or why not. */
export function passkeysHere(): 'yes' | string {
  if (!window.isSecureContext || !('PublicKeyCredential' in window))
    return 'This browser has none here: they need a secure address (https).';
  // Browsers give none to an address that is a number.
  if (/^[\d.]+$|^\[/.test(window.location.hostname)) return 'They need a server with a name, and this address is a number.';
  return 'yes';
}
