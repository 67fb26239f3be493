package vestcoin.app.run.storage;

import java.sql.Connection;
import java.sql.SQLException;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.sql.DataSource;
import org.h2.engine.SessionLocal;
import org.h2.jdbc.JdbcConnection;
import org.h2.result.Row;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * After a kill: every index holds every row of its table and no other. The rows are what counts: an index that differs
 * is filled anew from them, whether it is one of a constraint or not.
 */
@Component
class DatabaseIndexes {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseIndexes.class);

    /** The database gives the last answer again to a query whose tables nothing was written into by statements. */
    private static final String AGAIN = " /* again */";

    private final DataSource source;
    private final JdbcClient sql;

    DatabaseIndexes(DataSource source, JdbcClient sql) {
        this.source = source;
        this.sql = sql;
    }

    private record Index(String tableName, String indexName, String columns) {}

    /**
     * Walks along each index once, and fills anew those that differ from their table.
     *
     * @throws StartRefused where the rows cannot stand in the index they are to be found by
     */
    void look() {
        long began = System.nanoTime();
        List<Index> all = sql.sql("""
                select i.table_name, i.index_name,
                       listagg('"' || c.column_name || '"', ', ') within group (order by c.ordinal_position) as columns
                from information_schema.indexes i join information_schema.index_columns c on c.index_schema =
                    i.index_schema and c.index_name = i.index_name
                where i.table_schema = 'PUBLIC' and i.table_name not like 'flyway%'
                group by i.table_name, i.index_name
                order by i.table_name, i.index_name""").query(Index.class).list();
        for (Index index : all) {
            if (!holds(index, "")) {
                LOG.warn("index {} was damaged by a kill and is made anew", index.indexName());
                mend(index);
            }
        }
        LOG.info(
                "the last end was none: {} indexes looked at in {} ms",
                all.size(),
                (System.nanoTime() - began) / 1_000_000);
    }

    private record Walked(long rows, String sum, String hashes) {}

    /**
     * Whether walking along the index meets the rows of its table, each once and with the values it has there. With its
     * own columns alone, and no order asked for, the database walks along the index it is told to; where the index is
     * the table itself, along that.
     *
     * @param said at the end of the queries
     */
    private boolean holds(Index index, String said) {
        String hashes = Stream.of(index.columns().split(", "))
                .map(column -> "coalesce(ora_hash(cast(" + column + " as varchar)), 0)")
                .collect(Collectors.joining(" + "));
        String walk = "select count(*) as \"rows\", cast(coalesce(sum(cast(_rowid_ as decimal(40))), 0) as varchar) as "
                + "sum, cast(coalesce(sum(cast("
                + hashes + " as decimal(40))), 0) as varchar) as hashes from \"" + index.tableName() + '"';
        return walked(walk + " use index (\"" + index.indexName() + "\")" + said)
                .equals(walked(walk + " use index ()" + said));
    }

    private Walked walked(String walk) {
        return sql.sql(walk).query(Walked.class).single();
    }

    private void mend(Index index) {
        try (Connection connection = source.getConnection()) {
            connection.setAutoCommit(false);
            fill((SessionLocal) connection.unwrap(JdbcConnection.class).getSession(), index.indexName());
            connection.commit();
            connection.setAutoCommit(true);
        } catch (SQLException | RuntimeException e) {
            LOG.error("index {} could not be made anew", index.indexName(), e);
            throw refused(index);
        }
        if (!holds(index, AGAIN)) {
            throw refused(index);
        }
    }

    private static void fill(SessionLocal session, String name) {
        org.h2.index.Index index = session.getDatabase().getMainSchema().findIndex(session, name);
        index.truncate(session);
        var rows = index.getTable().getScanIndex(session).find(session, null, null, false);
        while (rows.next()) {
            Row row = rows.get();
            index.add(session, row);
        }
    }

    private static StartRefused refused(Index index) {
        return new StartRefused("The database is damaged: the index " + index.indexName()
                + " does not find all of its rows, and cannot be made anew from them. Restore the last backup into an "
                + "empty folder.");
    }
}
