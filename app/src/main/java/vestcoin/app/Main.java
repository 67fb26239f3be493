package vestcoin.app;

import picocli.CommandLine;
import vestcoin.app.run.BackupCommand;
import vestcoin.app.run.CheckCommand;
import vestcoin.app.run.CompareCommand;
import vestcoin.app.run.ContractCommand;
import vestcoin.app.run.PriceCommand;
import vestcoin.app.run.ServeCommand;

/** The commands of the jar. */
@CommandLine.Command(
        name = "vest-coin",
        description = "Sets up how a small shop's orders are priced and paid.",
        mixinStandardHelpOptions = true,
        subcommands = {
            ServeCommand.Demo.class,
            ServeCommand.Start.class,
            BackupCommand.TakeBackup.class,
            BackupCommand.Bring.class,
            PriceCommand.class,
            CheckCommand.class,
            CompareCommand.class,
            ContractCommand.class
        })
public final class Main {
    private Main() {}

    public static void main(String[] arguments) {
        int status = new CommandLine(new Main()).execute(arguments);
        if (status != ServeCommand.RUNNING) {
            System.exit(status);
        }
    }
}
