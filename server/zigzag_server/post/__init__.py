"""The post: takes the reports of packages, keeps them, and hands mail on."""
