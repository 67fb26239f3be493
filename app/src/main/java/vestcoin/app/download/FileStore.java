package vestcoin.app.download;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.stereotype.Component;

/**
 * The bytes of files, in the data folder beside the database. They are streamed both ways and never in memory as a
 * whole; a file is there complete or not at all.
 */
@Component
class FileStore {
    /** The largest file taken, in bytes. */
    static final long LARGEST = 200L * 1024 * 1024;

    private static final int BUFFER = 1 << 16;

    /** A file as it lies there. @param sha256 of its bytes, in hexadecimal */
    record StoredFile(String name, long bytes, String sha256) {}

    /** A file that was larger than is taken. */
    static final class TooLarge extends IOException {
        TooLarge() {
            super("larger than " + LARGEST + " bytes");
        }
    }

    /** A file whose end did not come. */
    static final class CutOff extends IOException {
        CutOff(long came, long announced) {
            super(came + " of " + announced + " bytes came");
        }
    }

    private final Path folder;

    FileStore(@Value("${vest-coin.data}") Path data) {
        this.folder = data.resolve("files");
    }

    /**
     * Takes a file in.
     *
     * @param announced how many bytes are to come, below zero where nobody has said
     * @throws TooLarge or CutOff with nothing left of it
     */
    StoredFile take(InputStream in, long announced) throws IOException {
        Files.createDirectories(folder);
        Path coming = Files.createTempFile(folder, "coming", "");
        try {
            DigestInputStream digested = new DigestInputStream(in, sha256());
            long came = 0;
            try (OutputStream out = Files.newOutputStream(coming)) {
                byte[] buffer = new byte[BUFFER];
                for (int n = digested.read(buffer); n >= 0; n = digested.read(buffer)) {
                    came += n;
                    if (came > LARGEST) {
                        throw new TooLarge();
                    }
                    out.write(buffer, 0, n);
                }
            }
            if (announced >= 0 && came != announced) {
                throw new CutOff(came, announced);
            }
            try (FileChannel file = FileChannel.open(coming, StandardOpenOption.WRITE)) {
                file.force(true);
            }
            String name = UUID.randomUUID().toString();
            Files.move(coming, folder.resolve(name), StandardCopyOption.ATOMIC_MOVE);
            return new StoredFile(
                    name,
                    came,
                    HexFormat.of().formatHex(digested.getMessageDigest().digest()));
        } finally {
            Files.deleteIfExists(coming);
        }
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    Resource read(String name) {
        return new FileSystemResource(folder.resolve(UUID.fromString(name).toString()));
    }

    void delete(String name) throws IOException {
        Files.deleteIfExists(folder.resolve(UUID.fromString(name).toString()));
    }
}
