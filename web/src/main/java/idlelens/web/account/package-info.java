/** Who works here: accounts, log-in, and what every page and call needs to be let in. */
package idlelens.web.account;
