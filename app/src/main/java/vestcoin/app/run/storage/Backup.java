package vestcoin.app.run.storage;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import java.util.Date;
import java.util.HashSet;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;
import org.bouncycastle.bcpg.HashAlgorithmTags;
import org.bouncycastle.bcpg.SymmetricKeyAlgorithmTags;
import org.bouncycastle.openpgp.PGPEncryptedDataGenerator;
import org.bouncycastle.openpgp.PGPEncryptedDataList;
import org.bouncycastle.openpgp.PGPException;
import org.bouncycastle.openpgp.PGPLiteralData;
import org.bouncycastle.openpgp.PGPLiteralDataGenerator;
import org.bouncycastle.openpgp.PGPPBEEncryptedData;
import org.bouncycastle.openpgp.PGPUtil;
import org.bouncycastle.openpgp.bc.BcPGPObjectFactory;
import org.bouncycastle.openpgp.operator.PGPDigestCalculatorProvider;
import org.bouncycastle.openpgp.operator.bc.BcPBEDataDecryptorFactory;
import org.bouncycastle.openpgp.operator.bc.BcPBEKeyEncryptionMethodGenerator;
import org.bouncycastle.openpgp.operator.bc.BcPGPDataEncryptorBuilder;
import org.bouncycastle.openpgp.operator.bc.BcPGPDigestCalculatorProvider;
import org.springframework.util.FileSystemUtils;

/**
 * A backup: database and key file in one ZIP archive, sealed by a passphrase as an OpenPGP message (RFC 4880: AES-256
 * with an integrity code, the key from the passphrase by an iterated and salted SHA-256), so that common tools can open
 * it too.
 */
public final class Backup {
    static final String DATABASE = "vest-coin.mv.db";
    static final String KEY = "vault.key";
    /** Folder of the files that are sold. */
    static final String FILES = "files";

    private static final Pattern FILE = Pattern.compile(FILES + "/[0-9a-f-]{36}");
    private static final String MANIFEST = "vest-coin-backup";
    private static final String FORMAT = "vest-coin/backup/1";
    private static final int BUFFER = 1 << 16;
    /** How long the passphrase is hashed: the most the format has, 65 million bytes. */
    private static final int S2K_COUNT = 0xff;

    private Backup() {}

    /** Seals an archive. @param plain a ZIP with what {@link #archive} puts into it */
    public static void seal(InputStream plain, OutputStream out, char[] passphrase) throws IOException {
        try {
            PGPDigestCalculatorProvider digests = new BcPGPDigestCalculatorProvider();
            PGPEncryptedDataGenerator sealing =
                    new PGPEncryptedDataGenerator(new BcPGPDataEncryptorBuilder(SymmetricKeyAlgorithmTags.AES_256)
                            .setWithIntegrityPacket(true)
                            .setSecureRandom(new SecureRandom()));
            sealing.addMethod(new BcPBEKeyEncryptionMethodGenerator(
                    passphrase, digests.get(HashAlgorithmTags.SHA256), S2K_COUNT));
            try (OutputStream sealed = sealing.open(out, new byte[BUFFER]);
                    OutputStream literal = new PGPLiteralDataGenerator()
                            .open(sealed, PGPLiteralData.BINARY, "vest-coin.zip", new Date(), new byte[BUFFER])) {
                plain.transferTo(literal);
            }
        } catch (PGPException e) {
            throw new IOException(e);
        }
    }

    /**
     * Writes database, key file and the files that are sold as an archive.
     *
     * @param database the file as the database itself has written it for a backup
     * @param files the folder of those files, which need not be there
     */
    public static void archive(Path database, Path key, Path files, OutputStream out) throws IOException {
        ZipOutputStream zip = new ZipOutputStream(out);
        zip.putNextEntry(new ZipEntry(MANIFEST));
        zip.write(FORMAT.getBytes(StandardCharsets.UTF_8));
        zip.putNextEntry(new ZipEntry(DATABASE));
        Files.copy(database, zip);
        zip.putNextEntry(new ZipEntry(KEY));
        Files.copy(key, zip);
        if (Files.isDirectory(files)) {
            try (Stream<Path> all = Files.list(files)) {
                for (Path file : all.sorted().toList()) {
                    String name = FILES + "/" + file.getFileName();
                    if (FILE.matcher(name).matches()) {
                        zip.putNextEntry(new ZipEntry(name));
                        Files.copy(file, zip);
                    }
                }
            }
        }
        zip.finish();
    }

    /**
     * Brings a backup back into an empty folder: all of it or nothing.
     *
     * @throws StartRefused if the folder is not empty, the passphrase is another or the file is damaged or no backup
     */
    public static void restore(Path file, Path data, char[] passphrase) throws IOException {
        if (Files.exists(data)) {
            try (Stream<Path> there = Files.list(data)) {
                if (there.findAny().isPresent()) {
                    throw new StartRefused(
                            "The folder " + data + " is not empty. Name one that is, or that is not there yet.");
                }
            }
        }
        Path beside = Files.createTempDirectory(
                Files.createDirectories(data.toAbsolutePath().getParent()), "restoring");
        try {
            unpack(file, beside, passphrase);
            Files.createDirectories(data);
            Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
            if (Files.isDirectory(beside.resolve(FILES))) {
                Files.move(beside.resolve(FILES), data.resolve(FILES), StandardCopyOption.ATOMIC_MOVE);
            }
            for (String name : new String[] {DATABASE, KEY}) {
                Files.setPosixFilePermissions(beside.resolve(name), PosixFilePermissions.fromString("rw-------"));
                Files.move(beside.resolve(name), data.resolve(name), StandardCopyOption.ATOMIC_MOVE);
            }
        } finally {
            FileSystemUtils.deleteRecursively(beside);
        }
    }

    private static void unpack(Path file, Path into, char[] passphrase) throws IOException {
        Set<String> found = new HashSet<>();
        String damaged = "The backup " + file + " is damaged. Take another one.";
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
            PGPPBEEncryptedData sealed = sealed(in, file);
            InputStream opened;
            try {
                opened = sealed.getDataStream(
                        new BcPBEDataDecryptorFactory(passphrase, new BcPGPDigestCalculatorProvider()));
            } catch (PGPException e) {
                throw new StartRefused("The passphrase does not open the backup " + file + ".");
            }
            Object literal = new BcPGPObjectFactory(opened).nextObject();
            if (!(literal instanceof PGPLiteralData data)) {
                throw new StartRefused("The passphrase does not open the backup " + file + ", or it is damaged.");
            }
            InputStream plain = data.getInputStream();
            ZipInputStream zip = new ZipInputStream(plain);
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                if (entry.getName().equals(MANIFEST)
                        && !new String(zip.readNBytes(100), StandardCharsets.UTF_8).equals(FORMAT)) {
                    throw new StartRefused("The backup " + file
                            + " was made by another version of Vest Coin. Use that one to restore it.");
                }
                found.add(entry.getName());
                if (entry.getName().equals(DATABASE) || entry.getName().equals(KEY)) {
                    Files.copy(zip, into.resolve(entry.getName()));
                } else if (FILE.matcher(entry.getName()).matches()) {
                    Files.createDirectories(into.resolve(FILES));
                    Files.copy(zip, into.resolve(entry.getName()));
                }
            }
            plain.transferTo(OutputStream.nullOutputStream());
            if (!found.containsAll(Set.of(MANIFEST, DATABASE, KEY)) || !sealed.verify()) {
                throw new StartRefused(damaged);
            }
        } catch (PGPException | FileAlreadyExistsException | java.util.zip.ZipException | java.io.EOFException e) {
            throw new StartRefused(damaged);
        } catch (IOException e) {
            if (e.getMessage() != null && e.getMessage().contains("No space")) {
                throw e;
            }
            throw new StartRefused(damaged);
        }
    }

    private static PGPPBEEncryptedData sealed(InputStream in, Path file) throws IOException {
        try {
            Object first = new BcPGPObjectFactory(PGPUtil.getDecoderStream(in)).nextObject();
            if (first instanceof PGPEncryptedDataList list
                    && !list.isEmpty()
                    && list.get(0) instanceof PGPPBEEncryptedData sealed) {
                return sealed;
            }
        } catch (IOException | RuntimeException e) {
            throw new StartRefused("The file " + file + " is no backup of Vest Coin.");
        }
        throw new StartRefused("The file " + file + " is no backup of Vest Coin.");
    }
}
