package vestcoin.app.download;

import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.io.Resource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The files of goods. */
@Repository
public class ProductFiles {
    private static final Logger LOG = LoggerFactory.getLogger(ProductFiles.class);

    /** A file of a product. @param bytes how long it is @param sha256 of it @param stored its name on the disk */
    public record ProductFile(
            long id, String product, String name, String type, long bytes, String sha256, String stored, Instant at) {}

    /** A rehearsal hands over the files of the shop it rehearses. */
    private static final String OF_SHOP =
            "from product_file where shop in (:shop, (select rehearses from shop where id = :shop)) ";

    private static final String FILE = "select id, product, name, type, bytes, sha256, stored, at " + OF_SHOP;

    private final JdbcClient sql;
    private final FileStore store;
    private final Clock clock;

    ProductFiles(JdbcClient sql, FileStore store, Clock clock) {
        this.sql = sql;
        this.store = store;
        this.clock = clock;
    }

    public List<ProductFile> of(String shop, String product) {
        return sql.sql(FILE + "and product = :product and not gone order by id")
                .param("shop", shop)
                .param("product", product)
                .query(ProductFile.class)
                .list();
    }

    /** Ids of products that have files. */
    public Set<String> products(String shop) {
        return new HashSet<>(sql.sql("select distinct product " + OF_SHOP + "and not gone")
                .param("shop", shop)
                .query(String.class)
                .list());
    }

    public Optional<ProductFile> find(String shop, long id) {
        return sql.sql(FILE + "and id = :id")
                .param("shop", shop)
                .param("id", id)
                .query(ProductFile.class)
                .optional();
    }

    /** @param announced how many bytes are to come, below zero where nobody has said */
    public ProductFile add(String shop, String product, String name, String type, InputStream in, long announced)
            throws IOException {
        FileStore.StoredFile stored = store.take(in, announced);
        try {
            sql.sql("insert into product_file(shop, product, name, type, bytes, sha256, stored, at) values (:shop, "
                            + ":product, :name, :type, :bytes, :sha256, :stored, :at)")
                    .param("shop", shop)
                    .param("product", product)
                    .param("name", name)
                    .param("type", type)
                    .param("bytes", stored.bytes())
                    .param("sha256", stored.sha256())
                    .param("stored", stored.name())
                    .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                    .update();
        } catch (RuntimeException e) {
            store.delete(stored.name());
            throw e;
        }
        return sql.sql(FILE + "and stored = :stored")
                .param("shop", shop)
                .param("stored", stored.name())
                .query(ProductFile.class)
                .single();
    }

    /** Puts other bytes in a file's place: who has bought it gets them. */
    public ProductFile replace(String shop, ProductFile file, String name, String type, InputStream in, long announced)
            throws IOException {
        FileStore.StoredFile stored = store.take(in, announced);
        sql.sql("update product_file set name = :name, type = :type, bytes = :bytes, sha256 = :sha256, "
                        + "stored = :stored, at = :at where shop = :shop and id = :id")
                .param("name", name)
                .param("type", type)
                .param("bytes", stored.bytes())
                .param("sha256", stored.sha256())
                .param("stored", stored.name())
                .param("at", clock.instant().atOffset(ZoneOffset.UTC))
                .param("shop", shop)
                .param("id", file.id())
                .update();
        try {
            store.delete(file.stored());
        } catch (IOException e) {
            LOG.info("the file {} is left over: {}", file.stored(), e.toString());
        }
        return find(shop, file.id()).orElseThrow();
    }

    /** Sold no more; who has bought it still gets it. */
    public void remove(String shop, long id) {
        sql.sql("update product_file set gone = true where shop = :shop and id = :id")
                .param("shop", shop)
                .param("id", id)
                .update();
    }

    Resource read(ProductFile file) {
        return store.read(file.stored());
    }
}
