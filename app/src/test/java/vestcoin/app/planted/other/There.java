package vestcoin.app.planted.other;

import vestcoin.app.planted.one.Here;

/** The other half of a circle, planted to see that it is found. */
public class There {
    Here here;
}
