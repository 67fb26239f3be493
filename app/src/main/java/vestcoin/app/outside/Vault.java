package vestcoin.app.outside;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.SecureRandom;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor.CipherAlgorithm;
import org.springframework.security.crypto.keygen.KeyGenerators;
import org.springframework.stereotype.Component;

/** Encrypts secrets (AES-256-GCM) with a key that lies beside the database, not in it, readable by its owner alone. */
@Component
public class Vault {
    private static final int KEY_BYTES = 32;
    private final AesBytesEncryptor encryptor;

    Vault(@Value("${vest-coin.data}") Path data) {
        this.encryptor = new AesBytesEncryptor(new SecretKeySpec(key(data.resolve("vault.key")), "AES"), KeyGenerators.secureRandom(16), CipherAlgorithm.GCM);
    }

    private static byte[] key(Path file) {
        try {
            Files.createDirectories(file.getParent());
            byte[] fresh = new byte[KEY_BYTES];
            new SecureRandom().nextBytes(fresh);
            try {
                Files.createFile(file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
                Files.write(file, fresh, StandardOpenOption.WRITE);
            } catch (FileAlreadyExistsException e) {
                fresh = Files.readAllBytes(file);
            }
            if (fresh.length != KEY_BYTES) {
                throw new IllegalStateException(file + " is not a key of " + KEY_BYTES + " bytes. Put back the one that belongs to this data.");
            }
            return fresh;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public byte[] sealed(String secret) {
        return encryptor.encrypt(secret.getBytes(StandardCharsets.UTF_8));
    }

    public String opened(byte[] sealed) {
        return new String(encryptor.decrypt(sealed), StandardCharsets.UTF_8);
    }
}
