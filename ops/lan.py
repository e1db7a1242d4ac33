"""A certificate for the local network, and the address as a QR code."""

from __future__ import annotations

import socket
import subprocess
from pathlib import Path

from ops.place import DATA, PYTHON, ROOT, Stop, run, say

MAKE = """
import datetime, ipaddress, os, sys
from cryptography import x509
from cryptography.hazmat.primitives import hashes, serialization
from cryptography.hazmat.primitives.asymmetric import ec
from cryptography.x509.oid import ExtendedKeyUsageOID, NameOID
folder, address = sys.argv[1:]
key = ec.generate_private_key(ec.SECP256R1())
name = x509.Name([x509.NameAttribute(NameOID.COMMON_NAME, "Keen Bite print room")])
now = datetime.datetime.now(datetime.timezone.utc)
names = [x509.IPAddress(ipaddress.ip_address(address)), x509.DNSName("localhost"),
         x509.IPAddress(ipaddress.ip_address("127.0.0.1"))]
certificate = (
    x509.CertificateBuilder().subject_name(name).issuer_name(name).public_key(key.public_key())
    .serial_number(x509.random_serial_number())
    .not_valid_before(now - datetime.timedelta(days=1))
    .not_valid_after(now + datetime.timedelta(days=800))
    .add_extension(x509.SubjectAlternativeName(names), critical=False)
    .add_extension(x509.BasicConstraints(ca=False, path_length=None), critical=True)
    .add_extension(x509.KeyUsage(True, *[False] * 8), critical=True)
    .add_extension(x509.ExtendedKeyUsage([ExtendedKeyUsageOID.SERVER_AUTH]), critical=False)
    .sign(key, hashes.SHA256())
)
flags = os.O_WRONLY | os.O_CREAT | os.O_TRUNC
with os.fdopen(os.open(folder + "/lan.key", flags, 0o600), "wb") as file:
    file.write(key.private_bytes(serialization.Encoding.PEM,
               serialization.PrivateFormat.PKCS8, serialization.NoEncryption()))
with open(folder + "/lan.crt", "wb") as file:
    file.write(certificate.public_bytes(serialization.Encoding.PEM))
with open(folder + "/lan.address", "w") as file:
    file.write(address + " leaf")
"""


def address() -> str:
    """Return this machine's address on the local network.

    Raises
    ------
    Stop
    """
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        try:
            probe.connect(("192.0.2.1", 9))  # nothing is sent: it only picks the way out
            found = str(probe.getsockname()[0])
        except OSError:
            found = ""
    if not found or found.startswith("127."):
        raise Stop("This machine is on no local network. Join one, then start with --lan again.")
    return found


def made_for(host: str) -> bool:
    """Tell whether there is a certificate for an address."""
    kept = DATA / "lan.address"
    return kept.exists() and kept.read_text() == f"{host} leaf"


def certificate(host: str) -> tuple[Path, Path]:
    """Return the certificate and key for an address, made once."""
    if not made_for(host):
        say("making a certificate for the local network")
        run([PYTHON, "-c", MAKE, DATA, host], what="making the certificate")
    return DATA / "lan.crt", DATA / "lan.key"


def show(url: str) -> None:
    """Print an address as a QR code."""
    code = "import segno, sys; segno.make(sys.argv[1]).terminal(compact=True)"
    subprocess.run([str(PYTHON), "-c", code, url], cwd=ROOT, check=False)
    print(f"Open {url} on the tablet. It will warn once: the certificate is this machine's own.")
    print(f"To go on with no network, trust {DATA / 'lan.crt'} on the tablet first.")
