package vestcoin.app.run.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import vestcoin.app.RunningShop;
import vestcoin.app.Said;
import vestcoin.app.payment.Gateways;
import vestcoin.app.run.BackupCommand;
import vestcoin.app.run.DemoShop;
import vestcoin.app.run.ServeCommand;
import vestcoin.standins.pay.CardProcessor;

/** A backup is taken while orders come in, and brings all of it back elsewhere. */
class BackupTest {
    private static final String PASSPHRASE = "larch, kettle, tramline, moth";

    @TempDir
    Path folder;

    private static long orders(ConfigurableApplicationContext context) {
        return context.getBean(JdbcClient.class)
                .sql("select count(*) from orders")
                .query(Long.class)
                .single();
    }

    @Test
    void taken_under_load_it_brings_back_every_order_confirmed_before_and_the_keys() throws Exception {
        Path phrase = Files.writeString(folder.resolve("passphrase"), PASSPHRASE + "\n");
        Path other = Files.writeString(folder.resolve("another"), "something else entirely\n");
        Path backup = folder.resolve("tern.backup");
        long before;
        try (RunningShop.Running shop = RunningShop.start("--vest-coin.pace.orders-by-client=1000000")) {
            Files.writeString(shop.data().resolve(ServeCommand.RUNNING_AT), String.valueOf(shop.port()));
            AtomicBoolean stop = new AtomicBoolean();
            AtomicInteger placed = new AtomicInteger();
            AtomicInteger failed = new AtomicInteger();
            ExecutorService buying = Executors.newFixedThreadPool(2);
            for (int i = 0; i < 2; i++) {
                buying.execute(() -> {
                    while (!stop.get()) {
                        try {
                            shop.anybody().placeBook();
                            placed.incrementAndGet();
                        } catch (RuntimeException e) {
                            failed.incrementAndGet();
                        }
                    }
                });
            }
            while (placed.get() < 10) {
                Thread.sleep(10);
            }
            before = orders(shop.context());
            Said taken = Said.by(
                    new BackupCommand.TakeBackup(),
                    "--to",
                    backup.toString(),
                    "--data",
                    shop.data().toString(),
                    "--passphrase-file",
                    phrase.toString());
            assertThat(taken.status()).as(taken.err()).isZero();
            stop.set(true);
            buying.shutdown();
            assertThat(buying.awaitTermination(60, TimeUnit.SECONDS)).isTrue();
            assertThat(failed).as("orders that failed meanwhile").hasValue(0);
            assertThat(Said.by(
                                    new BackupCommand.TakeBackup(),
                                    "--to",
                                    backup.toString(),
                                    "--data",
                                    shop.data().toString(),
                                    "--passphrase-file",
                                    phrase.toString())
                            .err())
                    .contains("There is a file");
        }
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(backup)))
                .isEqualTo("rw-------");
        assertThat(new String(Files.readAllBytes(backup), StandardCharsets.ISO_8859_1))
                .as("sealed")
                .doesNotContain("tern-and-tether", "vault.key");

        Path brought = folder.resolve("elsewhere");
        assertThat(Said.by(
                                new BackupCommand.Bring(),
                                "--from",
                                backup.toString(),
                                "--data",
                                brought.toString(),
                                "--passphrase-file",
                                other.toString())
                        .err())
                .contains("The passphrase does not open the backup");
        assertThat(brought).as("nothing by half").doesNotExist();
        Said restored = Said.by(
                new BackupCommand.Bring(),
                "--from",
                backup.toString(),
                "--data",
                brought.toString(),
                "--passphrase-file",
                phrase.toString());
        assertThat(restored.status()).as(restored.err()).isZero();
        try (ConfigurableApplicationContext again =
                ServeCommand.application(RunningShop.freePort(), brought, "http://127.0.0.1:1")) {
            assertThat(orders(again)).isGreaterThanOrEqualTo(before);
            assertThat(again.getBean(Gateways.class).webhookSecret(DemoShop.SHOP, "cards"))
                    .as("keys can be read")
                    .isPresent();
            assertThat(CardProcessor.TEST_SECRET).isNotEmpty();
        }
        assertThat(Said.by(
                                new BackupCommand.Bring(),
                                "--from",
                                backup.toString(),
                                "--data",
                                brought.toString(),
                                "--passphrase-file",
                                phrase.toString())
                        .err())
                .contains("is not empty");
    }

    @Test
    void a_damaged_one_and_what_is_none_bring_nothing_back() throws Exception {
        Path phrase = Files.writeString(folder.resolve("passphrase"), PASSPHRASE + "\n");
        Path none = Files.writeString(folder.resolve("none"), "just a text");
        Path data = folder.resolve("data");
        Said said = Said.by(
                new BackupCommand.Bring(),
                "--from",
                none.toString(),
                "--data",
                data.toString(),
                "--passphrase-file",
                phrase.toString());
        assertThat(said.status()).isEqualTo(2);
        assertThat(said.err().strip().lines()).hasSize(1);
        assertThat(data).doesNotExist();
        Path installation = Files.createDirectories(folder.resolve("installation"));
        Files.write(installation.resolve("db"), new byte[200_000]);
        Files.write(installation.resolve("key"), new byte[32]);
        ByteArrayOutputStream archive = new ByteArrayOutputStream();
        Backup.archive(installation.resolve("db"), installation.resolve("key"), installation.resolve("files"), archive);
        ByteArrayOutputStream sealed = new ByteArrayOutputStream();
        Backup.seal(new java.io.ByteArrayInputStream(archive.toByteArray()), sealed, PASSPHRASE.toCharArray());
        byte[] bytes = sealed.toByteArray();
        for (int at : new int[] {bytes.length / 3, bytes.length / 2, bytes.length - 10}) {
            byte[] damaged = bytes.clone();
            damaged[at] ^= 0x10;
            Path file = Files.write(folder.resolve("damaged-" + at), damaged);
            Said refused = Said.by(
                    new BackupCommand.Bring(),
                    "--from",
                    file.toString(),
                    "--data",
                    data.toString(),
                    "--passphrase-file",
                    phrase.toString());
            assertThat(refused.status()).as("byte " + at + ": " + refused.err()).isEqualTo(2);
            assertThat(data).doesNotExist();
        }
        Path cut = Files.write(folder.resolve("cut"), java.util.Arrays.copyOf(bytes, bytes.length / 2));
        assertThat(Said.by(
                                new BackupCommand.Bring(),
                                "--from",
                                cut.toString(),
                                "--data",
                                data.toString(),
                                "--passphrase-file",
                                phrase.toString())
                        .status())
                .isEqualTo(2);
        assertThat(data).doesNotExist();
    }
}
