"""A real mail server for tests: takes what it is given into a folder, a file each; knows no mailbox called nobody."""
import signal
import sys
import uuid
from aiosmtpd.controller import Controller


class Taking:
    async def handle_RCPT(self, server, session, envelope, address, options):
        if address.startswith('nobody@'):
            return '550 5.1.1 No such mailbox here'
        envelope.rcpt_tos.append(address)
        return '250 OK'

    async def handle_DATA(self, server, session, envelope):
        with open(f'{sys.argv[2]}/{uuid.uuid4()}.eml', 'wb') as file:
            file.write(envelope.content)
        return '250 Taken'


Controller(Taking(), hostname='127.0.0.1', port=int(sys.argv[1])).start()
signal.pause()
