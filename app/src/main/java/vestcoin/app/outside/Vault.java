package vestcoin.app.outside;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileAlreadyExistsException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.GeneralSecurityException;
import java.security.MessageDigest;
import java.security.SecureRandom;
import java.util.Base64;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor;
import org.springframework.security.crypto.encrypt.AesBytesEncryptor.CipherAlgorithm;
import org.springframework.security.crypto.keygen.KeyGenerators;
import org.springframework.stereotype.Component;

/**
 * Encrypts secrets (AES-256-GCM) and signs (HMAC-SHA-256) with a key that lies beside the database, not in it, readable
 * by its owner alone.
 */
@Component
public class Vault {
    private static final int KEY_BYTES = 32;
    private static final String SIGNING = "HmacSHA256";
    private final AesBytesEncryptor encryptor;
    private final SecretKeySpec signing;

    @Autowired
    public Vault(@Value("${vest-coin.data}") Path data) {
        byte[] key = key(data.resolve("vault.key"));
        this.encryptor = new AesBytesEncryptor(
                new SecretKeySpec(key, "AES"), KeyGenerators.secureRandom(16), CipherAlgorithm.GCM);
        // A key of its own, so that nothing signed says anything of what is sealed.
        this.signing = new SecretKeySpec(mac(new SecretKeySpec(key, SIGNING), "signing"), SIGNING);
    }

    private static byte[] key(Path file) {
        try {
            Files.createDirectories(file.getParent());
            byte[] fresh = new byte[KEY_BYTES];
            new SecureRandom().nextBytes(fresh);
            try {
                Files.createFile(
                        file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
                Files.write(file, fresh, StandardOpenOption.WRITE);
            } catch (FileAlreadyExistsException e) {
                fresh = Files.readAllBytes(file);
            }
            if (fresh.length != KEY_BYTES) {
                throw new IllegalStateException(
                        file + " is not a key of " + KEY_BYTES + " bytes. Put back the one that belongs to this data.");
            }
            return fresh;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether a text bears the mark of this installation. */
    public boolean marked(String text, String mark) {
        return MessageDigest.isEqual(
                mark(text).getBytes(StandardCharsets.UTF_8), mark.getBytes(StandardCharsets.UTF_8));
    }

    /** The mark that only this installation can put on a text; compare in constant time. */
    public String mark(String text) {
        return Base64.getUrlEncoder().withoutPadding().encodeToString(mac(signing, text));
    }

    private static byte[] mac(SecretKeySpec key, String text) {
        try {
            Mac mac = Mac.getInstance(SIGNING);
            mac.init(key);
            return mac.doFinal(text.getBytes(StandardCharsets.UTF_8));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException(e);
        }
    }

    public byte[] sealed(String secret) {
        return encryptor.encrypt(secret.getBytes(StandardCharsets.UTF_8));
    }

    public String opened(byte[] sealed) {
        return new String(encryptor.decrypt(sealed), StandardCharsets.UTF_8);
    }
}
