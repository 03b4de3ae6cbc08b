/** A session of the demo's technician. */
export async function signIn(address: string): Promise<{ name: string; value: string }> {
  const reply = await fetch(`${address}/api/session`, {
    method: 'PUT',
    headers: { origin: address, 'content-type': 'application/json' },
    body: JSON.stringify({ name: 'Ines Calloway', passphrase: 'brass-lark-mends-nine' }),
  });
  if (!reply.ok) throw new Error(`sign-in: ${reply.status}`);
  const [name, value] = reply.headers.get('set-cookie')!.split(';')[0]!.split('=');
  return { name: name!, value: value! };
}
