/** What many tests share: small builds made of shipped classes. */
package inkel.core.kit;
